package markturn.survey.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Weights;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;

/** Every sight of a job to a mark that has a place: backsights, foresights, detail and checks alike, each target by its first fix. */
final class Rays {
    private static final OptionalDouble NONE = OptionalDouble.empty();

    private Rays() {}

    static List<Ray> of(Job job, List<MeasuredSetup> setups, Map<String, Position> known) {
        List<Ray> rays = new ArrayList<>();
        for (int i = 0; i < setups.size(); i++) {
            MeasuredSetup setup = setups.get(i);
            if (setup.orientation().isEmpty()
                    || !known.containsKey(job.trueName(setup.setup().station()))) {
                continue;
            }
            for (SetAbstract sets : setup.abstracts()) {
                String to = job.trueName(sets.target());
                if (known.containsKey(to)
                        && !to.equals(job.trueName(setup.setup().station()))) {
                    double apart =
                            known.get(job.trueName(setup.setup().station())).distanceTo(known.get(to));
                    rays.add(ray(job, i, setup, sets, apart));
                }
            }
        }
        return rays;
    }

    /** A given azimuth uses up the direction it was given to; what a resection leaves out stays out here too. */
    private static Ray ray(Job job, int number, MeasuredSetup setup, SetAbstract sets, double apart) {
        Weights weights = Weights.of(job, setup.setup());
        Weights ofTarget = new Weights(weights.instrument(), 0, job.earth());
        Reflector reflector =
                job.sighted(sets.fix().pointings().readings().get(0).reading());
        double length = sets.horizontal().orElse(apart);
        boolean orientsAsGiven = Stood.isOrientedAsGiven(setup)
                && setup.setup().orientation().zero().equals(sets.target());
        OptionalDouble direction = orientsAsGiven || !uses(setup, sets, Setup.Part.DIRECTION) ? NONE : sets.direction();
        OptionalDouble distance = uses(setup, sets, Setup.Part.DISTANCE) ? sets.horizontal() : NONE;
        boolean levels =
                !job.planOnly() && setup.instrumentHeight().isPresent() && uses(setup, sets, Setup.Part.ELEVATION);
        OptionalDouble rise = levels && sets.horizontal().isPresent() ? sets.elevationDifference() : NONE;
        double distances = sets.fix().pointings().means().distanceCount();
        return new Ray(
                number,
                setup.name(),
                job.trueName(setup.setup().station()),
                job.trueName(sets.target()),
                setup.setup().instrument(),
                reflector.name(),
                sets.fix().role() == Reading.Role.BACKSIGHT,
                weights.instrumentCentring(),
                direction,
                direction.isPresent() ? Math.sqrt(ofTarget.direction(sets.count(), reflector, length)) : 0,
                distance,
                distance.isPresent() ? Math.sqrt(ofTarget.distance(distances, reflector, length)) : 0,
                setup.scalePpm().isPresent(),
                rise,
                rise.isPresent()
                        ? Math.sqrt(weights.heightDifference(
                                sets.fix().pointings().means().zenithCount(),
                                distances,
                                reflector,
                                length,
                                sets.zenith().getAsDouble()))
                        : 0,
                weights.instrument().heightStdDev());
    }

    private static boolean uses(MeasuredSetup setup, SetAbstract sets, Setup.Part part) {
        return !(setup.setup().orientation() instanceof Setup.ByResection by) || by.uses(sets.target(), part);
    }
}
