package markturn.formats;

import java.util.Optional;
import markturn.survey.SurveyResult;
import markturn.survey.job.Job;

/**
 * An open format in which a computed job leaves the house. One that stands in {@link OpenFormats} has its line on the page of what is
 * delivered, its address, its place in the file of everything and behind {@code convert}; its name says PRACTICE where the readings were
 * simulated.
 *
 * @param name the word for it in addresses and on the command line
 * @param ending of the file's name; {@code {scale}} stands for the M of a plan's 1 : M
 * @param mediaType as servers name it
 * @param title of it, for people
 * @param words what it holds, in a sentence
 * @param needsProjection whether only a job on a projection can be written
 */
public record OpenFormat(
        String name,
        String ending,
        String mediaType,
        String title,
        String words,
        boolean needsProjection,
        Writer writer) {
    /** Of any job. */
    OpenFormat(String name, String ending, String mediaType, String title, String words, Writer writer) {
        this(name, ending, mediaType, title, words, false, writer);
    }

    /** Writes a job. */
    @FunctionalInterface
    public interface Writer {
        /** As {@link OpenFormat#write} asks for it. */
        Optional<byte[]> write(SurveyResult result, int scale);
    }

    /** Whether it is offered for a job. */
    public boolean isOffered(Job job) {
        return !needsProjection || job.earth().projection().isPresent();
    }

    /** The file's name behind that of the job. */
    public String ending(int scale) {
        return ending.replace("{scale}", "" + scale);
    }

    /**
     * The whole file, cautions and PRACTICE in it.
     *
     * @param scale M of the plan's 1 : M, above 0, where anything is drawn
     * @return empty where this job cannot be written so
     */
    public Optional<byte[]> write(SurveyResult result, int scale) {
        return writer.write(result, scale);
    }
}
