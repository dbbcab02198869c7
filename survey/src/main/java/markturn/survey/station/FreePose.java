package markturn.survey.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Pose;
import markturn.survey.propagate.Propagation;
import markturn.survey.propagate.Targets;
import markturn.survey.result.Observation.Kind;
import markturn.survey.result.Position;

/**
 * What the errors of a free instrument are made of: its sights, the targets at its marks, and the marks themselves, as far as these were
 * carried from elsewhere. The a-priori covariance of the adjustment holds the first two, and coordinates that were observed in it.
 */
final class FreePose {
    private static final int PLAN = 3;

    private final String setup;
    private final ResectionSolution solution;
    private final Map<String, Position> known;
    private final Targets targets;
    private final Propagation propagation;

    private FreePose(
            String setup,
            ResectionSolution solution,
            Map<String, Position> known,
            Targets targets,
            Propagation propagation) {
        this.setup = setup;
        this.solution = solution;
        this.known = known;
        this.targets = targets;
        this.propagation = propagation;
    }

    /**
     * Of a solved resection.
     *
     * @param known where the marks lie, by true name
     * @param targets those that were sighted for something else too
     */
    static Pose pose(
            String setup,
            ResectionSolution solution,
            Optional<Levelled> levelled,
            Map<String, Position> known,
            Targets targets,
            Propagation propagation) {
        FreePose pose = new FreePose(setup, solution, known, targets, propagation);
        return new Pose(setup, pose.plan(), levelled.map(pose::axis).orElse(Lineage.HELD), targets);
    }

    private Lineage plan() {
        double[] own = new double[PLAN * PLAN];
        for (int i = 0; i < PLAN; i++) {
            for (int j = 0; j < PLAN; j++) {
                own[i * PLAN + j] = solution.adjustment().covariance(i, j);
            }
        }
        List<Lineage.Part> parts = new ArrayList<>();
        for (int i = 0; i < solution.sights().size(); i++) {
            Sight sight = solution.sights().get(i);
            if (!sight.givesDirection() && !sight.givesDistance()) {
                continue;
            }
            double[] moved = solution.movedBy(i);
            Lineage mark = known.get(sight.mark()).planLineage(sight.mark());
            if (!mark.isHeld()) {
                parts.add(new Lineage.Part(mark, byCoordinates(i, moved, mark, own)));
            }
            if (targets.isShared(sight.mark())) {
                double centring = sight.reflector().centringStdDev();
                double[] byTarget = times(moved, centring);
                takeAway(own, byTarget, new double[] {1, 0, 0, 1});
                parts.add(new Lineage.Part(targets.centring(sight.mark()), byTarget));
            }
        }
        return Lineage.of(setup + " instrument", PLAN, parts, own);
    }

    /** How the instrument moves with the coordinates of a mark; where those were observed, the adjustment holds their share already. */
    private double[] byCoordinates(int sight, double[] moved, Lineage mark, double[] own) {
        double[] factors = times(moved, -1);
        double[] counted = new double[2 * PLAN];
        Kind[] kinds = {Kind.NORTHING, Kind.EASTING};
        for (int axis = 0; axis < kinds.length; axis++) {
            int observed = solution.coordinateOf(sight, kinds[axis]);
            for (int unknown = 0; unknown < PLAN && observed >= 0; unknown++) {
                factors[2 * unknown + axis] = solution.adjustment().effect(observed, 1, unknown);
                counted[2 * unknown + axis] = factors[2 * unknown + axis];
            }
        }
        takeAway(own, counted, propagation.variance(mark));
        return factors;
    }

    private static double[] times(double[] matrix, double factor) {
        double[] product = matrix.clone();
        for (int i = 0; i < product.length; i++) {
            product[i] *= factor;
        }
        return product;
    }

    /** Takes {@code J Σ Jᵀ} of a source in the plane from a covariance. */
    private static void takeAway(double[] own, double[] factors, double[] source) {
        for (int i = 0; i < PLAN; i++) {
            for (int j = 0; j < PLAN; j++) {
                for (int p = 0; p < 2; p++) {
                    for (int q = 0; q < 2; q++) {
                        own[i * PLAN + j] -= factors[2 * i + p] * source[2 * p + q] * factors[2 * j + q];
                    }
                }
            }
        }
    }

    private Lineage axis(Levelled levelled) {
        double own = levelled.variance();
        List<Lineage.Part> parts = new ArrayList<>();
        for (int i = 0; i < solution.sights().size(); i++) {
            Sight sight = solution.sights().get(i);
            if (!sight.givesElevation()) {
                continue;
            }
            double byRise = levelled.effect(i, Kind.ELEVATION_DIFFERENCE);
            double byElevation = levelled.effect(i, Kind.ELEVATION);
            Lineage mark = known.get(sight.mark()).levelLineage(sight.mark());
            if (!mark.isHeld()) {
                own -= byElevation * byElevation * propagation.variance(mark)[0];
                parts.add(new Lineage.Part(mark, new double[] {byElevation == 0 ? -byRise : byElevation}));
            }
            if (targets.isShared(sight.mark())) {
                double height = byRise * sight.reflector().heightStdDev();
                own -= height * height;
                parts.add(new Lineage.Part(targets.height(sight.mark()), new double[] {-height}));
            }
        }
        return Lineage.of(setup + " axis", 1, parts, new double[] {own});
    }
}
