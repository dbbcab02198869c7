package markturn.survey.instrument;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.job.Reading;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.PolarFix;
import markturn.survey.result.MeasuredSetup;

/**
 * What one setup shows of its instrument.
 *
 * @param at when it was read: the middle of its readings, else when it was set up; empty where neither was noted
 * @param temperature degrees Celsius, where noted
 * @param pairs how many sights were read on both faces, none of them steep
 * @param collimation mean of c·sin z, radians
 * @param collimationStdDev one sigma of that mean, from the instrument's figure for a direction
 * @param collimationSpread largest less smallest
 * @param index mean vertical index, radians
 * @param trunnion inclination of the trunnion axis, radians, with its sigma; empty where no sight was steep enough to tell it
 * @param directions residuals of directions in sets, of one set on both faces
 * @param zeniths the same of zenith angles
 * @param distances the same of distances, metres
 */
public record InstrumentShown(
        String setup,
        Optional<Instant> at,
        OptionalDouble temperature,
        int pairs,
        double collimation,
        double collimationStdDev,
        double collimationSpread,
        double index,
        double indexStdDev,
        double indexSpread,
        OptionalDouble trunnion,
        OptionalDouble trunnionStdDev,
        Pooled directions,
        Pooled zeniths,
        Pooled distances) {
    /** Sights steeper than this from the horizon say more of the trunnion axis than of the collimation. Common practice, no source. */
    private static final double STEEP = Math.toRadians(30);

    /** The trunnion axis is told where cot z differs by this much among the sights. Common practice, no source. */
    private static final double SPREAD_OF_COT = 0.3;

    private static final int FEWEST_FOR_TRUNNION = 3;

    private record Pair(double circle, double zenith) {}

    /**
     * Of a setup.
     *
     * @return empty where no sight was read on both faces
     */
    public static Optional<InstrumentShown> from(MeasuredSetup setup, Instrument instrument) {
        List<Pair> pairs = new ArrayList<>();
        List<Double> indexes = new ArrayList<>();
        for (PolarFix fix : setup.booked().onBothFaces()) {
            for (FaceMeans means : fix.pointings().means().bySet().values()) {
                double zenith = means.zenith().orElse(Math.PI / 2);
                means.collimation().ifPresent(c -> pairs.add(new Pair(c, zenith)));
                means.index().ifPresent(indexes::add);
            }
        }
        List<Double> level = pairs.stream()
                .filter(p -> Math.abs(p.zenith() - Math.PI / 2) <= STEEP)
                .map(p -> p.circle() * Math.sin(p.zenith()))
                .toList();
        if (level.isEmpty()) {
            return Optional.empty();
        }
        double[] trunnion = trunnion(pairs, instrument.directionStdDev());
        return Optional.of(new InstrumentShown(
                setup.name(),
                at(setup),
                setup.setup()
                        .atmosphere()
                        .map(Atmosphere::temperature)
                        .map(OptionalDouble::of)
                        .orElse(OptionalDouble.empty()),
                level.size(),
                mean(level),
                instrument.directionStdDev() / Math.sqrt(level.size()),
                spread(level),
                mean(indexes),
                indexes.isEmpty() ? 0 : instrument.zenithStdDev() / Math.sqrt(indexes.size()),
                spread(indexes),
                trunnion.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(trunnion[0]),
                trunnion.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(trunnion[1]),
                SetTest.directions(setup).pooled(),
                zeniths(setup),
                distances(setup)));
    }

    private static Optional<Instant> at(MeasuredSetup setup) {
        List<Instant> times = setup.setup().readings().stream()
                .filter(Reading::stands)
                .flatMap(reading -> reading.at().stream())
                .sorted()
                .toList();
        return times.isEmpty() ? setup.setup().settingUp().at() : Optional.of(times.get(times.size() / 2));
    }

    private static double mean(List<Double> values) {
        double sum = 0;
        for (double value : values) {
            sum += value;
        }
        return values.isEmpty() ? 0 : sum / values.size();
    }

    private static double spread(List<Double> values) {
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        for (double value : values) {
            least = Math.min(least, value);
            most = Math.max(most, value);
        }
        return values.isEmpty() ? 0 : most - least;
    }

    /** The circle's difference is c/sin z + i·cot z (textbook): both by least squares; empty where the sights do not tell them apart. */
    private static double[] trunnion(List<Pair> pairs, double stdDev) {
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        double aa = 0;
        double ab = 0;
        double bb = 0;
        double al = 0;
        double bl = 0;
        for (Pair pair : pairs) {
            double a = 1 / Math.sin(pair.zenith());
            double b = Math.cos(pair.zenith()) / Math.sin(pair.zenith());
            least = Math.min(least, b);
            most = Math.max(most, b);
            aa += a * a;
            ab += a * b;
            bb += b * b;
            al += a * pair.circle();
            bl += b * pair.circle();
        }
        double determinant = aa * bb - ab * ab;
        if (pairs.size() < FEWEST_FOR_TRUNNION || most - least < SPREAD_OF_COT) {
            return new double[0];
        }
        return new double[] {(aa * bl - ab * al) / determinant, stdDev * Math.sqrt(aa / determinant)};
    }

    private static Pooled zeniths(MeasuredSetup setup) {
        Pooled pooled = Pooled.NONE;
        for (PolarFix fix : setup.booked().onBothFaces()) {
            List<Double> sets = new ArrayList<>();
            for (FaceMeans means : fix.pointings().means().bySet().values()) {
                if (means.bothZeniths()) {
                    sets.add(means.zenith().getAsDouble());
                }
            }
            pooled = pooled.plus(about(sets));
        }
        return pooled;
    }

    private static Pooled distances(MeasuredSetup setup) {
        Pooled pooled = Pooled.NONE;
        for (PolarFix fix : setup.booked().fixes()) {
            if (fix.single()) {
                continue;
            }
            List<Double> sets = new ArrayList<>();
            for (FaceMeans means : fix.pointings().means().bySet().values()) {
                means.slope().ifPresent(sets::add);
            }
            pooled = pooled.plus(about(sets));
        }
        return pooled;
    }

    private static Pooled about(List<Double> sets) {
        double mean = mean(sets);
        double squares = 0;
        for (double value : sets) {
            squares += (value - mean) * (value - mean);
        }
        return sets.size() < 2 ? Pooled.NONE : new Pooled(squares, sets.size() - 1);
    }

    /** As the next jobs of the office keep it; empty where no time was noted. */
    public Optional<Instrument.Remembered> remembered() {
        return at.map(time -> new Instrument.Remembered(time, collimation, collimationStdDev, index, indexStdDev));
    }
}
