package markturn.formats;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import markturn.survey.reduce.GridScale;
import org.locationtech.proj4j.CRSFactory;
import org.locationtech.proj4j.Proj4jException;

/**
 * Map projections as people name them: by their EPSG code, or by parameters. What is kept are the parameters, with the code as their title,
 * so that a job can be computed where no list of codes is at hand.
 */
public final class ProjectionNames {
    /** What to type, for messages. */
    public static final String EXPECTED =
            "a map projection by its code, such as EPSG:25832, or by its parameters, such as +proj=utm +zone=32 +ellps=GRS80";

    private static final Pattern CODE = Pattern.compile("(?:EPSG\\s*:?\\s*)?(\\d{4,6})", Pattern.CASE_INSENSITIVE);

    private ProjectionNames() {}

    /** The parameters that a name stands for; empty where it is neither a known code of a projection nor parameters that are understood. */
    public static Optional<String> definition(String typed) {
        Matcher code = CODE.matcher(typed.strip());
        if (!code.matches()) {
            return Optional.of(typed.strip()).filter(GridScale::isUnderstood);
        }
        try {
            String name = "EPSG:" + code.group(1);
            String parameters = new CRSFactory().createFromName(name).getParameterString();
            String definition = "+title=" + name + " " + parameters.strip();
            return Optional.of(definition).filter(GridScale::isUnderstood);
        } catch (Proj4jException | IllegalStateException unknown) {
            return Optional.empty();
        }
    }
}
