package markturn.formats;

import java.util.Optional;
import markturn.fieldbook.wire.ResultWriter;
import markturn.survey.SurveyResult;

/** The result file: what was computed, in the job's units, unrounded but for the angles. A number that does not exist is null. */
public final class ResultFile {
    /** As it is delivered. */
    public static final OpenFormat FORMAT = new OpenFormat(
            "result-file",
            "result.json",
            "application/json",
            "Result file",
            "JSON: everything computed from it, unrounded.",
            (result, scale) -> Optional.of(write(result)));

    private ResultFile() {}

    /** Writes a result. */
    public static byte[] write(SurveyResult result) {
        return JsonTrees.file(ResultWriter.result(result, Version.program()));
    }
}
