package markturn.survey.station;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.angle.Angles;
import markturn.survey.propagate.Lineage;
import markturn.survey.propagate.Propagation;
import markturn.survey.result.Observation;
import markturn.survey.result.Resected;
import markturn.survey.result.Resected.Sighted;
import markturn.survey.result.Resected.Suspicion;

/**
 * The backsights of an occupied mark tested against each other and against the mark itself, sideways and along: their directions share one
 * unknown, the orientation; their distances none. Misfits are weighed by their whole covariance, so that what a carried mark errs by is
 * not laid to a sight. Per mark {@code T = gᵀN⁻¹g} with {@code N = BᵀMB}, {@code g = BᵀMm}: chi-square with two degrees of freedom (W. Baarda).
 */
final class BacksightScrutiny {
    private static final double ALPHA = 0.001;
    /** Two hypotheses whose tests correlate more than this are not told apart (practice, 6). */
    private static final double ALIKE = 0.9;

    private static final double TWO_DEGREES = 4.43;
    private static final double SINGULAR = 1e-9;
    private static final int NOBODY = -1;

    /**
     * What was measured to one backsight, as far as it is there.
     *
     * @param azimuth of its line by coordinates, radians; {@code length} of it, metres
     * @param direction its own orientation less that of the setup, radians
     * @param ofDirection what the error of its own orientation is made of
     * @param distance measured less computed, metres
     * @param ofDistance what the error of that is made of
     * @param up measured less computed height difference, metres
     */
    record Seen(
            String target,
            double northing,
            double easting,
            double azimuth,
            double length,
            OptionalDouble direction,
            Lineage ofDirection,
            OptionalDouble distance,
            Lineage ofDistance,
            OptionalDouble up,
            boolean useDirection,
            boolean useDistance) {
        boolean directs() {
            return useDirection && direction.isPresent();
        }

        boolean measures() {
            return useDistance && distance.isPresent();
        }
    }

    /** One misfit that takes part. */
    private record Row(int mark, boolean direction, double misfit, Lineage lineage, double[] byMark) {}

    private final List<Seen> seen;
    private final String station;
    private final double classLimit;
    private final List<Row> rows = new ArrayList<>();
    private final double[][] weight;

    private BacksightScrutiny(List<Seen> seen, String station, double classLimit, Propagation propagation) {
        this.seen = seen;
        this.station = station;
        this.classLimit = classLimit;
        for (int i = 0; i < seen.size(); i++) {
            Seen at = seen.get(i);
            double sin = Math.sin(at.azimuth());
            double cos = Math.cos(at.azimuth());
            if (at.directs()) {
                // A mark that stands beside its coordinates turns its own orientation the other way.
                rows.add(new Row(i, true, at.direction().getAsDouble(), at.ofDirection(), new double[] {
                    sin / at.length(), -cos / at.length()
                }));
            }
            if (at.measures()) {
                rows.add(new Row(i, false, at.distance().getAsDouble(), at.ofDistance(), new double[] {cos, sin}));
            }
        }
        this.weight = weight(propagation);
    }

    /**
     * Tests them.
     *
     * @param station name of the mark that is occupied
     * @param classLimit how far a mark may be off before anything is said, metres
     * @return empty where fewer than two take part
     */
    static Optional<Resected> scrutinised(List<Seen> seen, String station, double classLimit, Propagation propagation) {
        long directions = seen.stream().filter(Seen::directs).count();
        if (seen.size() < 2 || directions == 0) {
            return Optional.empty();
        }
        return Optional.of(new BacksightScrutiny(seen, station, classLimit, propagation).tested());
    }

    /** {@code M = C⁻¹ − C⁻¹a(aᵀC⁻¹a)⁻¹aᵀC⁻¹}, with a the part of the orientation. */
    private double[][] weight(Propagation propagation) {
        int n = rows.size();
        double[][] covariance = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j <= i; j++) {
                double[] both = propagation.covariance(
                        rows.get(i).lineage(), rows.get(j).lineage());
                covariance[i][j] = both.length == 0 ? 0 : both[0];
                covariance[j][i] = covariance[i][j];
            }
        }
        double[][] inverse = SmallMatrices.inverse(covariance);
        double[] a = rows.stream().mapToDouble(r -> r.direction() ? 1 : 0).toArray();
        double[] weighed = SmallMatrices.times(inverse, a);
        double all = SmallMatrices.dot(a, weighed);
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                inverse[i][j] -= weighed[i] * weighed[j] / all;
            }
        }
        return inverse;
    }

    /** How a mark's shift by a metre north and east shows in each misfit; nobody's: the occupied mark's, which shows in all. */
    private double[][] shown(int mark) {
        double[][] b = new double[2][rows.size()];
        for (int i = 0; i < rows.size(); i++) {
            boolean here = mark == NOBODY || rows.get(i).mark() == mark;
            int sign = mark == NOBODY ? -1 : 1;
            for (int axis = 0; axis < 2 && here; axis++) {
                b[axis][i] = sign * rows.get(i).byMark()[axis];
            }
        }
        return b;
    }

    private double[] misfits() {
        return rows.stream().mapToDouble(Row::misfit).toArray();
    }

    /** One mark, or the station, as the one that is wrong. */
    private final class Fault {
        private final String name;
        private final double[][] shown;
        private final double[][] visible = new double[2][2];
        private final double[] said = new double[2];

        Fault(String name, int mark) {
            this.name = name;
            this.shown = BacksightScrutiny.this.shown(mark);
            double[] weighed = SmallMatrices.times(weight, misfits());
            for (int i = 0; i < 2; i++) {
                said[i] = SmallMatrices.dot(shown[i], weighed);
                double[] column = SmallMatrices.times(weight, shown[i]);
                for (int j = 0; j < 2; j++) {
                    visible[i][j] = SmallMatrices.dot(shown[j], column);
                }
            }
        }

        /** Whether a shift in any direction would show. */
        boolean isVisible() {
            return Symmetric.smallest(visible) > SINGULAR * (visible[0][0] + visible[1][1]);
        }

        double[] shift() {
            return Symmetric.solve(visible, said);
        }

        OptionalDouble statistic() {
            if (!isVisible()) {
                return OptionalDouble.empty();
            }
            double[] shift = shift();
            return OptionalDouble.of(said[0] * shift[0] + said[1] * shift[1]);
        }

        OptionalDouble detectable() {
            return isVisible()
                    ? OptionalDouble.of(TWO_DEGREES / Math.sqrt(Symmetric.smallest(visible)))
                    : OptionalDouble.empty();
        }

        /** How far another fault explains what this one, as large as it seems, would show: 0 to 1; 1 where either cannot be tested. */
        double likeness(Fault other) {
            if (!isVisible() || !other.isVisible()) {
                return 1;
            }
            double[] shift = shift();
            double[] effect = new double[rows.size()];
            for (int i = 0; i < effect.length; i++) {
                effect[i] = shown[0][i] * shift[0] + shown[1][i] * shift[1];
            }
            double[] weighed = SmallMatrices.times(weight, effect);
            double own = SmallMatrices.dot(effect, weighed);
            double[] seen = {SmallMatrices.dot(other.shown[0], weighed), SmallMatrices.dot(other.shown[1], weighed)};
            double[] solved = Symmetric.solve(other.visible, seen);
            double explained = seen[0] * solved[0] + seen[1] * solved[1];
            return own <= 0 ? 1 : Math.sqrt(Math.min(1, explained / own));
        }
    }

    private Resected tested() {
        List<Fault> faults = new ArrayList<>();
        for (int i = 0; i < seen.size(); i++) {
            if (seen.get(i).directs() || seen.get(i).measures()) {
                faults.add(new Fault(seen.get(i).target(), i));
            }
        }
        double squares = SmallMatrices.dot(misfits(), SmallMatrices.times(weight, misfits()));
        List<Sighted> sights = new ArrayList<>();
        for (Seen at : seen) {
            sights.add(sighted(
                    at, faults.stream().filter(f -> f.name.equals(at.target())).findFirst()));
        }
        return new Resected(
                Optional.empty(),
                OptionalDouble.of(squares),
                rows.size() - 1,
                sights,
                List.of(),
                suspicion(faults),
                List.of(),
                Optional.empty(),
                List.of());
    }

    private Sighted sighted(Seen at, Optional<Fault> fault) {
        OptionalDouble none = OptionalDouble.empty();
        Optional<double[]> shift = fault.filter(Fault::isVisible).map(Fault::shift);
        return new Sighted(
                at.target(),
                at.northing(),
                at.easting(),
                at.length(),
                at.directs(),
                at.measures(),
                false,
                at.distance().isPresent() ? OptionalDouble.of(-at.distance().getAsDouble()) : none,
                at.direction().isPresent()
                        ? OptionalDouble.of(at.length() * at.direction().getAsDouble())
                        : none,
                at.up().isPresent() ? OptionalDouble.of(-at.up().getAsDouble()) : none,
                redundancy(at),
                fault.map(Fault::statistic).orElse(none),
                shift.map(s -> OptionalDouble.of(s[0])).orElse(none),
                shift.map(s -> OptionalDouble.of(s[1])).orElse(none),
                fault.map(Fault::detectable).orElse(none),
                none,
                none,
                none);
    }

    /** The smallest share of what is left over among its misfits. */
    private OptionalDouble redundancy(Seen at) {
        int mark = seen.indexOf(at);
        long directions = rows.stream().filter(Row::direction).count();
        return rows.stream()
                .filter(r -> r.mark() == mark)
                .mapToDouble(r -> r.direction() ? 1 - 1.0 / directions : 1)
                .min();
    }

    private Optional<Suspicion> suspicion(List<Fault> faults) {
        double limit = -2 * Math.log(ALPHA / faults.size());
        Optional<Fault> worst = faults.stream()
                .filter(f -> f.statistic().isPresent())
                .max(Comparator.comparingDouble(f -> f.statistic().getAsDouble()));
        if (worst.isEmpty()) {
            return undividable(faults);
        }
        Fault blamed = worst.get();
        double[] shift = blamed.shift();
        double size = Math.hypot(shift[0], shift[1]);
        if (blamed.statistic().getAsDouble() <= limit || size <= classLimit) {
            return Optional.empty();
        }
        List<String> alike = new ArrayList<>(List.of(blamed.name));
        for (Fault other : faults) {
            if (other != blamed && blamed.likeness(other) > ALIKE) {
                alike.add(other.name);
            }
        }
        Fault here = new Fault(station, NOBODY);
        if (here.isVisible() && blamed.likeness(here) > ALIKE) {
            alike.add(station);
        }
        return Optional.of(new Suspicion(
                alike,
                size,
                alike.size() == 1
                        ? OptionalDouble.of(Angles.onCircle(Math.atan2(shift[1], shift[0])))
                        : OptionalDouble.empty(),
                Math.max(classLimit, blamed.detectable().orElse(classLimit))));
    }

    /** Directions alone to two marks: they contradict each other, and that is all that can be said. */
    private Optional<Suspicion> undividable(List<Fault> faults) {
        double squares = SmallMatrices.dot(misfits(), SmallMatrices.times(weight, misfits()));
        double chance = Math.pow(Observation.Fit.ONE_IN_A_THOUSAND, 2);
        double size = rows.stream()
                .filter(Row::direction)
                .mapToDouble(r -> 2 * Math.abs(r.misfit()) * seen.get(r.mark()).length())
                .max()
                .orElse(0);
        if (squares <= chance || size <= classLimit) {
            return Optional.empty();
        }
        List<String> all = new ArrayList<>(faults.stream().map(f -> f.name).toList());
        all.add(station);
        return Optional.of(new Suspicion(all, size, OptionalDouble.empty(), classLimit));
    }
}
