package markturn.survey.finding.figure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Job;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.SingleFault.Kind;
import markturn.survey.result.SingleFault.What;
import markturn.survey.result.Suspect;

/**
 * What the size of an error looks like: a round number, swapped faces, another backsight, a unit, a constant. Common practice. A likeness
 * counts only where chance would seldom make it: the error is known at least ten times better than such sizes lie apart.
 */
final class ErrorPatterns {
    /** Tens and single degrees and minutes, radians. */
    private static final double[] DEGREES = {
        Math.toRadians(10), Math.toRadians(1), Math.toRadians(10 / 60.0), Math.toRadians(1 / 60.0)
    };

    /** Tens, ones, tenths and hundredths of a gon, radians. */
    private static final double[] GONS = {Math.PI / 20, Math.PI / 200, Math.PI / 2000, Math.PI / 20000};

    /** Tens, ones, tenths and hundredths of the job's unit of length. */
    private static final double[] LENGTHS = {10, 1, 0.1, 0.01};

    private static final double FOOT = 0.3048;
    private static final double SIGMAS = 3;
    private static final double APART = 10;
    /** A sight to another mark than was booked is seldom told better than this, radians. */
    private static final double ANOTHER = Math.toRadians(0.02);

    private final Job job;
    private final Measured measured;

    ErrorPatterns(Job job, Measured measured) {
        this.job = job;
        this.measured = measured;
    }

    /** In words, as a sentence; empty where it looks like nothing in particular. */
    String of(Suspect suspect) {
        List<String> all = new ArrayList<>();
        What what = suspect.what();
        if (what.kind().angular()) {
            faces(suspect).ifPresent(all::add);
            another(suspect).ifPresent(all::add);
            roundAngle(suspect).ifPresent(all::add);
        } else if (what.kind() == Kind.DISTANCE || what.kind() == Kind.LEG) {
            unit(suspect).ifPresent(all::add);
            constant(suspect).ifPresent(all::add);
            roundLength(suspect).ifPresent(all::add);
        } else if (what.kind() == Kind.HEIGHT_DIFFERENCE || what.kind() == Kind.INSTRUMENT_HEIGHT) {
            swappedZenith(suspect).ifPresent(all::add);
            roundLength(suspect).ifPresent(all::add);
        } else if (what.kind() == Kind.CONSTANT) {
            constant(suspect).ifPresent(all::add);
        }
        return all.stream().findFirst().orElse("");
    }

    private static boolean isNear(double size, double like, double stdDev) {
        return Math.abs(size - like) <= SIGMAS * stdDev && SIGMAS * stdDev * APART < Math.abs(like);
    }

    private static Optional<String> faces(Suspect of) {
        return isNear(Math.abs(Angles.shortWay(of.size())), Math.PI, Math.max(of.stdDev(), ANOTHER / SIGMAS))
                ? Optional.of("As if the faces had been swapped, or the sight gone through the wrong way.")
                : Optional.empty();
    }

    /** The angle between what was to be sighted and another mark, as seen from the setup. */
    private Optional<String> another(Suspect of) {
        Optional<MeasuredSetup> setup = measured.setups().stream()
                .filter(s -> s.name().equals(of.what().setup()))
                .findFirst();
        Optional<Position> station = setup.map(s -> s.setup().station()).flatMap(this::position);
        if (station.isEmpty()) {
            return Optional.empty();
        }
        for (SetAbstract sets : setup.get().abstracts()) {
            Optional<Position> booked = position(sets.target());
            if (booked.isEmpty()) {
                continue;
            }
            for (MeasuredMark mark : measured.marks()) {
                boolean itself = mark.name().equals(job.trueName(sets.target()))
                        || mark.name().equals(job.trueName(setup.get().setup().station()));
                if (itself || mark.position().isEmpty()) {
                    continue;
                }
                double between =
                        Angles.shortWay(station.get().azimuthTo(mark.position().get())
                                - station.get().azimuthTo(booked.get()));
                boolean alike =
                        Math.abs(Math.abs(between) - Math.abs(of.size())) < Math.max(ANOTHER, SIGMAS * of.stdDev());
                if (alike && Math.abs(between) > APART * ANOTHER) {
                    return Optional.of("As large as the angle from %s to %s: was %s sighted for it?"
                            .formatted(sets.target(), mark.name(), mark.name()));
                }
            }
        }
        return Optional.empty();
    }

    private Optional<Position> position(String mark) {
        return measured.mark(job.trueName(mark)).flatMap(MeasuredMark::position);
    }

    private Optional<String> roundAngle(Suspect of) {
        double[] units = job.units().angle() == AngleUnit.GON ? GONS : DEGREES;
        return Arrays.stream(units).anyMatch(unit -> isRound(of, unit))
                ? Optional.of("Close to a round number: a figure read or booked wrong?")
                : Optional.empty();
    }

    private Optional<String> roundLength(Suspect of) {
        return Arrays.stream(LENGTHS)
                        .anyMatch(
                                unit -> isRound(of, unit * job.units().length().metres()))
                ? Optional.of("Close to a round number: a figure read or booked wrong?")
                : Optional.empty();
    }

    /** One to nine whole units, nearer than chance would come. */
    private static boolean isRound(Suspect of, double unit) {
        double size = Math.abs(of.size());
        double times = Math.rint(size / unit);
        return times >= 1
                && times <= 9
                && Math.abs(size - times * unit) <= SIGMAS * of.stdDev()
                && SIGMAS * of.stdDev() * APART < unit;
    }

    /** The length as it was measured; empty where it is not there. */
    private Optional<Double> length(What what) {
        return measured.setups().stream()
                .flatMap(s -> s.abstracts().stream()
                        .filter(a -> s.name().equals(what.setup())
                                        && job.trueName(a.target()).equals(what.mark())
                                || isLeg(what, s.setup(), a.target())))
                .filter(a -> a.horizontal().isPresent())
                .map(a -> a.horizontal().getAsDouble())
                .findFirst();
    }

    private boolean isLeg(What what, Setup setup, String target) {
        String from = job.trueName(setup.station());
        String to = job.trueName(target);
        return what.kind() == Kind.LEG
                && (what.mark().equals(from + " – " + to) || what.mark().equals(to + " – " + from));
    }

    private Optional<String> unit(Suspect of) {
        return length(of.what()).flatMap(measuredLength -> {
            double ratio = measuredLength / (measuredLength - of.size());
            double loose = SIGMAS * of.stdDev() / Math.abs(measuredLength - of.size()) + 1e-3;
            if (Math.abs(ratio - FOOT) < loose * FOOT || Math.abs(ratio - 1 / FOOT) < loose / FOOT) {
                return Optional.of(
                        "As if it had been read in %s.".formatted(ratio > 1 ? "feet for metres" : "metres for feet"));
            }
            return Optional.empty();
        });
    }

    /** A reflector's constant, or the difference of two. */
    private Optional<String> constant(Suspect of) {
        double size = Math.abs(of.size());
        List<Reflector> all = job.reflectors();
        for (Reflector one : all) {
            if (isConstant(size, one.constant(), of.stdDev())) {
                return Optional.of(
                        "As large as the constant of %s: applied twice, or not at all?".formatted(one.name()));
            }
            for (Reflector other : all) {
                if (isConstant(size, one.constant() - other.constant(), of.stdDev())) {
                    return Optional.of("As large as the difference between the constants of %s and %s."
                            .formatted(one.name(), other.name()));
                }
            }
        }
        return Optional.empty();
    }

    private static boolean isConstant(double size, double constant, double stdDev) {
        return Math.abs(size - Math.abs(constant)) <= SIGMAS * stdDev && Math.abs(constant) > SIGMAS * stdDev;
    }

    /** A zenith angle booked with the wrong face turns the height difference over: the error is twice it. */
    private Optional<String> swappedZenith(Suspect of) {
        return measured.setups().stream()
                .filter(s -> s.name().equals(of.what().setup()))
                .flatMap(s -> s.abstracts().stream())
                .filter(a -> job.trueName(a.target()).equals(of.what().mark())
                        && a.zenith().isPresent()
                        && a.horizontal().isPresent())
                .filter(a -> isNear(
                        Math.abs(of.size()),
                        Math.abs(2
                                * a.horizontal().getAsDouble()
                                / Math.tan(a.zenith().getAsDouble())),
                        of.stdDev()))
                .findFirst()
                .map(a -> "Twice the rise of that sight: was a zenith angle booked with the wrong face?");
    }
}
