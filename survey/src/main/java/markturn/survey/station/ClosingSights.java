package markturn.survey.station;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SortedMap;
import java.util.stream.Stream;
import markturn.survey.angle.Angles;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.reduce.BookedSetup;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.Pointings;
import markturn.survey.reduce.PolarFix;
import markturn.survey.reduce.ReducedFix;
import markturn.survey.result.MeasuredSetup.ClosingSight;
import markturn.survey.result.MeasuredSetup.Look;

/**
 * The last check on a backsight: its direction against the mean of the same face (of both, where both were read), each less its circle's
 * zero. Comparing like faces leaves collimation out of it.
 */
final class ClosingSights {
    private ClosingSights() {}

    /** The closing sight of a setup: its last look back; empty where none was taken or its circle holds no backsight. */
    static Optional<ClosingSight> of(Job job, Setup setup, BookedSetup booked, List<ReducedFix> fixes) {
        Optional<ReducedFix> last = checks(job, setup, booked, fixes).reduce((earlier, later) -> later);
        OptionalDouble longest = longest(fixes);
        return last.flatMap(fix -> look(job, setup, booked, fix))
                .map(look -> new ClosingSight(
                        look.target(),
                        look.change(),
                        look.stdDev(),
                        longest.isPresent()
                                ? OptionalDouble.of(Math.abs(look.change()) * longest.getAsDouble())
                                : longest));
    }

    /** Every look back at what orients the setup after its sets, in order. */
    static List<Look> looks(Job job, Setup setup, BookedSetup booked, List<ReducedFix> fixes) {
        return checks(job, setup, booked, fixes)
                .flatMap(fix -> look(job, setup, booked, fix).stream())
                .toList();
    }

    private static Stream<ReducedFix> checks(Job job, Setup setup, BookedSetup booked, List<ReducedFix> fixes) {
        return fixes.stream()
                .filter(f -> f.fix().role() == Reading.Role.CHECK && isBacksight(job, setup, booked, f.fix()));
    }

    private static Optional<Look> look(Job job, Setup setup, BookedSetup booked, ReducedFix fix) {
        PolarFix check = fix.fix();
        SortedMap<Integer, Double> zeros = booked.zeros();
        Pointings backsight = booked.backsight(check.target());
        FaceMeans means = check.pointings().means().bySet().values().iterator().next();
        OptionalDouble before = mean(backsight, means, zeros);
        OptionalDouble now = fix.directions().mean();
        if (before.isEmpty() || now.isEmpty()) {
            return Optional.empty();
        }
        double pointing = Math.pow(job.instrument(setup.instrument()).directionStdDev(), 2);
        double ofFaces = means.bothFaces() ? pointing : 2 * pointing;
        double sets = backsight.means().bySet().size();
        double variance = ofFaces * (1 + 1 / sets) + pointing * (1 - 1 / sets);
        return Optional.of(new Look(
                check.target(),
                check.firstPlace(),
                check.pointings().readings().get(0).reading().at(),
                Angles.shortWay(now.getAsDouble() - before.getAsDouble()),
                Math.sqrt(variance)));
    }

    private static boolean isBacksight(Job job, Setup setup, BookedSetup booked, PolarFix fix) {
        String mark = job.trueName(fix.target());
        return setup.orientation().sights().stream().map(job::trueName).anyMatch(mark::equals)
                || !booked.backsight(fix.target()).readings().isEmpty();
    }

    private static OptionalDouble mean(Pointings backsight, FaceMeans like, SortedMap<Integer, Double> zeros) {
        if (like.bothFaces()) {
            return backsight.means().reducedTo(zeros).mean();
        }
        return backsight.means().reducedOnFace(like.left().isPresent() ? Reading.Face.LEFT : Reading.Face.RIGHT, zeros);
    }

    private static OptionalDouble longest(List<ReducedFix> fixes) {
        return fixes.stream()
                .filter(f -> f.fix().role() == Reading.Role.FORESIGHT || f.fix().role() == Reading.Role.DETAIL)
                .filter(f -> f.horizontal().isPresent())
                .mapToDouble(f -> f.horizontal().getAsDouble())
                .max();
    }
}
