package markturn.survey.finding.judgement;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import markturn.survey.angle.Angles;
import markturn.survey.job.Instrument;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.PolarFix;
import markturn.survey.result.MeasuredSetup;

/**
 * The face-left, face-right pairs of a setup, told apart from those that differ grossly from the rest. Collimation as read is c/sin z plus
 * the trunnion axis' i·cot z, so what is compared is c·sin z, and steep sights stay out.
 */
public final class FacePairs {
    /** Sights steeper than this from the horizon are not judged, radians. Common practice, no source. */
    private static final double STEEP = Math.toRadians(30);

    /** From here on a pair is a misreading with any instrument. Three quarters of the smallest misread digit that can be told, 1'. */
    private static final double GROSS = 45 * Angles.SECOND;

    /** Or so many of its deviations, where those are larger (practice, 11). */
    private static final double GROSS_DEVIATIONS = 6;

    private static final double FITS_DEVIATIONS = 3;

    /**
     * One pair.
     *
     * @param value c·sin z, or the index; radians
     * @param fromTypical that value less that of the others
     * @param stdDev of the difference of the faces: each is √2 times one set's figure
     */
    public record Pair(PolarFix fix, int set, double value, double fromTypical, double stdDev) {
        /** By how much the faces miss half or all of the circle, beyond the others. */
        public double excess() {
            return 2 * fromTypical;
        }

        public double limit() {
            return Math.max(GROSS, GROSS_DEVIATIONS * stdDev);
        }

        public boolean isGross() {
            return Math.abs(excess()) >= limit();
        }

        /** Whether a slip of that size explains it. */
        public boolean fits(double slip) {
            return Math.abs(Math.abs(excess()) - slip) < FITS_DEVIATIONS * stdDev;
        }
    }

    /** Radians: far below what any circle reads. */
    private static final double AS_NEAR = 1e-12;

    private FacePairs() {}

    /** Every pair of circles on a sight that is not steep. */
    public static List<Pair> collimations(MeasuredSetup setup, Instrument instrument) {
        return pairs(setup, 2 * instrument.directionStdDev(), means -> {
            OptionalDouble c = means.collimation();
            return c.isPresent()
                    ? OptionalDouble.of(
                            c.getAsDouble() * Math.sin(means.zenith().orElse(Math.PI / 2)))
                    : c;
        });
    }

    /** Every pair of zenith angles on a sight that is not steep. */
    public static List<Pair> indexes(MeasuredSetup setup, Instrument instrument) {
        return pairs(setup, 2 * instrument.zenithStdDev(), FaceMeans::index);
    }

    private static List<Pair> pairs(MeasuredSetup setup, double stdDev, Function<FaceMeans, OptionalDouble> what) {
        record Raw(PolarFix fix, int set, double value) {}
        List<Raw> raw = new ArrayList<>();
        for (PolarFix fix : setup.booked().onBothFaces()) {
            fix.pointings().means().bySet().forEach((set, means) -> {
                OptionalDouble value = what.apply(means);
                if (value.isPresent() && !isSteep(means)) {
                    raw.add(new Raw(fix, set, value.getAsDouble()));
                }
            });
        }
        double typical = typical(raw.stream().map(Raw::value).toList());
        return raw.stream()
                .map(r -> new Pair(r.fix(), r.set(), r.value(), r.value() - typical, stdDev))
                .toList();
    }

    private static boolean isSteep(FaceMeans means) {
        OptionalDouble zenith = means.zenith();
        return zenith.isPresent() && Math.abs(zenith.getAsDouble() - Math.PI / 2) > STEEP;
    }

    /**
     * The value nearest to all others; of two that are as near, the smaller. Of an even number of values the two in the middle always are:
     * what differs by less than a sum of doubles holds is the same.
     */
    private static double typical(List<Double> values) {
        return values.stream()
                .min(Comparator.<Double>comparingLong(v -> Math.round(values.stream()
                                        .mapToDouble(o -> Math.abs(o - v))
                                        .sum()
                                / AS_NEAR))
                        .thenComparingDouble(Math::abs))
                .orElse(0.0);
    }
}
