package markturn.survey.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What was decided and adopted in another house, as a job says it here: stated, with who brought it in. */
final class Stated {
    private Stated() {}

    /** Every decision of a job, and every coordinate it adopted, stated. */
    static List<Decision> decisions(Job job, String broughtInBy) {
        List<Decision> all = new ArrayList<>();
        job.decisions().forEach(d -> all.add(d.stated(broughtInBy)));
        job.adopted()
                .forEach(a -> all.add(new Decision(
                                a.at(),
                                a.by(),
                                Decision.ADOPT,
                                Map.of("mark", a.mark(), "run", a.from()),
                                a.reason(),
                                Optional.empty(),
                                Optional.of("northing %s, easting %s%s"
                                        .formatted(
                                                inUnits(
                                                        job.units(),
                                                        a.position().northing()),
                                                inUnits(
                                                        job.units(),
                                                        a.position().easting()),
                                                a.position().elevation().isPresent()
                                                        ? ", elevation "
                                                                + inUnits(
                                                                        job.units(),
                                                                        a.position()
                                                                                .elevation()
                                                                                .getAsDouble())
                                                        : "")))
                        .stated(broughtInBy)));
        return all;
    }

    /** To the ten-thousandth of the job's unit, as text of a record. */
    private static String inUnits(Units units, double metres) {
        return "" + Math.round(metres / units.length().metres() * 1e4) / 1e4;
    }
}
