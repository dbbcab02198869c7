package markturn.formats;

import java.util.List;
import java.util.Optional;

/** The open formats in which a job leaves, in the order in which they are offered. A new one is one new file and one line here. */
public final class OpenFormats {
    public static final List<OpenFormat> ALL = List.of(
            JobFile.FORMAT,
            ResultFile.FORMAT,
            CoordinateCsv.FORMAT,
            GeoJsonFile.IN_JOB_COORDINATES,
            GeoJsonFile.IN_WGS84,
            DxfFile.FORMAT,
            LandXmlFile.FORMAT);

    private OpenFormats() {}

    /** That of a name; empty where there is none. */
    public static Optional<OpenFormat> named(String name) {
        return ALL.stream().filter(format -> format.name().equals(name)).findFirst();
    }
}
