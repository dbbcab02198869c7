package markturn.survey.network;

import java.util.ArrayList;
import java.util.List;
import markturn.survey.adjust.Adjustment;
import markturn.survey.adjust.BetweenPlaces;
import markturn.survey.adjust.Biased;
import markturn.survey.adjust.DenseNormalEquations;
import markturn.survey.adjust.Dissection;
import markturn.survey.adjust.LeastSquares;
import markturn.survey.adjust.NotConverging;
import markturn.survey.adjust.Observed;
import markturn.survey.adjust.RankDefect;
import markturn.survey.adjust.Shares;
import markturn.survey.adjust.SparseNormalEquations;
import markturn.survey.result.Observation.Kind;

/** The plan or the elevations of a network: unknowns and observations, and what is said of each observation. */
final class Part {
    private final List<Double> start = new ArrayList<>();
    private final List<Integer> nodeOf = new ArrayList<>();
    private final List<Observed> observations = new ArrayList<>();
    private final List<ObservationLabel> said = new ArrayList<>();
    private Adjustment adjustment;

    /**
     * What an observation is of.
     *
     * @param ray what it was sighted by; null for a coordinate and for what is known between two marks
     * @param setup empty for a mark's coordinate and between marks; of an instrument's, its setup
     * @param ends true names of the marks it hangs on
     */
    record ObservationLabel(Ray ray, String setup, String target, Kind kind, List<String> ends) {
        static ObservationLabel of(Ray ray, Kind kind) {
            return new ObservationLabel(ray, ray.setupName(), ray.to(), kind, List.of(ray.from(), ray.to()));
        }

        static ObservationLabel of(String mark, Kind coordinate) {
            return new ObservationLabel(null, "", mark, coordinate, List.of(mark));
        }

        /** The centring or the taped height of an instrument: an error common to all sights of a setup. */
        static ObservationLabel common(Ray ray, Kind coordinate) {
            return new ObservationLabel(null, ray.setupName(), ray.from(), coordinate, List.of(ray.from()));
        }

        /** A taped distance or a height difference between two marks. */
        static ObservationLabel between(String one, String other, Kind kind) {
            return new ObservationLabel(null, "", one + " – " + other, kind, List.of(one, other));
        }

        /** The given azimuth of a setup, by the mark it leads to. */
        static ObservationLabel given(String setup, String target) {
            return new ObservationLabel(null, setup, target, Kind.DIRECTION, List.of(target));
        }

        /** Whether it ties two marks together: by a sight, or known without the instrument. */
        boolean isBetween() {
            return ends.size() > 1;
        }

        boolean isCommon() {
            return ray == null && !setup.isEmpty() && kind != Kind.DIRECTION;
        }
    }

    int unknown(double value, int node) {
        start.add(value);
        nodeOf.add(node);
        return start.size() - 1;
    }

    void observe(ObservationLabel of, Observed observed) {
        observations.add(observed);
        said.add(of);
    }

    boolean isEmpty() {
        return start.isEmpty();
    }

    /** What each observation is of, in the order in which they were observed. */
    List<ObservationLabel> said() {
        return said;
    }

    /** How the value of an observation of one place from another changes as its far end moves north, and east. */
    double[] byFarEnd(int observation, double north, double east) {
        return ((BetweenPlaces) observations.get(observation)).byFarEnd(north, east);
    }

    Adjustment adjustment() {
        return adjustment;
    }

    boolean isAdjusted() {
        return adjustment != null;
    }

    /**
     * Adjusts.
     *
     * @param places northing and easting of each node that unknowns were given
     */
    void adjust(double[][] places) throws RankDefect, NotConverging {
        double[] near = start.stream().mapToDouble(Double::doubleValue).toArray();
        int[] nodes = nodeOf.stream().mapToInt(Integer::intValue).toArray();
        Dissection dissection = Dissection.of(places, nodes, observations, near);
        adjustment = LeastSquares.adjust(observations, near, () -> new SparseNormalEquations(dissection));
    }

    /** Whether this and the other adjust the same observations from the same values. */
    boolean isSameAs(Part other) {
        return this == other || start.equals(other.start) && observations.equals(other.observations);
    }

    double redundancy(int observation) {
        return adjustment.redundancyBlock(observation)[0][0];
    }

    /**
     * The same with one fault among the unknowns, the last of them; few unknowns.
     *
     * @param shares how much of the fault each observation takes
     */
    Adjustment with(Shares shares) throws RankDefect, NotConverging {
        double[] near = new double[start.size() + 1];
        List<Observed> biased = new ArrayList<>(observations);
        for (int i = 0; i < start.size(); i++) {
            near[i] = start.get(i);
        }
        for (int k = 0; k < shares.count(); k++) {
            int i = shares.observation(k);
            biased.set(i, new Biased(observations.get(i), start.size(), shares.share(k)));
        }
        return LeastSquares.adjust(biased, near, () -> new DenseNormalEquations(near.length));
    }

    /** The number of unknowns. */
    int unknowns() {
        return start.size();
    }
}
