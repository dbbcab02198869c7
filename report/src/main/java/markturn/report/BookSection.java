package markturn.report;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.show.Display;

/** The raw field book: everything as it was booked. */
final class BookSection {
    /** So many lines are printed. */
    private static final int MOST_LINES = 20_000;

    private static final Block AS_IT_WAS =
            Block.quiet("Everything as it was booked, in order; what was struck out stays legible, with its reason.");

    private final Display show;

    private BookSection(Display show) {
        this.show = show;
    }

    static Section of(Reported of) {
        List<Setup> setups = of.job().setups();
        int lines = setups.stream().mapToInt(s -> s.readings().size()).sum();
        Stream<Block> said = Stream.of(AS_IT_WAS);
        Stream<Block> rest = lines > MOST_LINES
                ? Stream.of(Block.words(lines + " lines stand in the job file that belongs to this report, "
                        + "each as it was booked; they are not printed."))
                : IntStream.range(0, setups.size())
                        .boxed()
                        .flatMap(index -> Stream.concat(
                                SetupSection.sheetBefore(index), new BookSection(of.show()).blocks(setups.get(index))));
        return new Section("Appendix: the raw field book", "appendix", true, Stream.concat(said, rest)::iterator);
    }

    private Stream<Block> blocks(Setup setup) {
        ReportTable.Draft table = ReportTable.draft("lines")
                .words("Set", "Face")
                .columns(ReportTable.KEPT, "Target")
                .words("Why")
                .numbers("Circle", "Zenith", "Slope")
                .words("Reflector")
                .numbers("Height", "Keyed in", "Time")
                .columns("why", "Struck out");
        setup.readings().forEach(r -> table.rowOf(r.stands() ? "" : "struck", line(r)));
        return Stream.of(new Block.Heading(setup.name() + " on " + setup.station()), table.done());
    }

    private String[] line(Reading r) {
        return new String[] {
            r.set().isPresent() ? String.valueOf(r.set().getAsInt()) : "",
            r.face() == Reading.Face.LEFT ? "L" : "R",
            r.target(),
            r.role().name().toLowerCase(Locale.ROOT),
            show.decorated(r.circle().written()),
            r.zenith().map(z -> show.decorated(z.written())).orElse(""),
            r.slope().isPresent() ? show.length(r.slope()) : "",
            r.reflector(),
            show.height(r.targetHeight()),
            applied(r),
            show.time(r.at()),
            r.stands() ? "" : r.struck().orElse("")
        };
    }

    private String applied(Reading reading) {
        return reading.applied()
                .map(a -> (a.constant().isPresent() ? "K " + show.length(a.constant()) : "")
                        + (a.ppm().isPresent() ? " " + Words.number(a.ppm().getAsDouble(), 1) + " ppm" : ""))
                .orElse("");
    }
}
