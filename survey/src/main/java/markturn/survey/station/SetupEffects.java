package markturn.survey.station;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.reduce.Air;

/**
 * What the figures noted while setting up do to this setup's own sights. Textbook: a standing axis out of plumb by i turns the direction
 * by {@code i·cot z} on both faces alike; an axis e beside its mark turns a line of length D by up to {@code e/D}; air changes a distance
 * by its ppm.
 */
public final class SetupEffects {
    private final List<EffectSight> lines;

    /** The sights of a setup, measured or expected. */
    public SetupEffects(List<EffectSight> lines) {
        this.lines = List.copyOf(lines);
    }

    /**
     * One sight.
     *
     * @param distance horizontal, metres
     * @param zenith radians; empty where the elevations are unknown
     */
    public record EffectSight(String target, double distance, OptionalDouble zenith) {}

    /**
     * What something does to one of the sights.
     *
     * @param turned radians; 0 for what changes lengths
     * @param moved metres at the target
     */
    public record Effect(String target, double distance, double turned, double moved) {}

    /** A tilt (radians) on the steepest sight; empty without zenith angles. */
    public Optional<Effect> ofTilt(double tilt) {
        return lines.stream()
                .filter(l -> l.zenith().isPresent())
                .max(Comparator.comparingDouble(SetupEffects::steepness))
                .map(l -> {
                    double turned = Math.abs(tilt) * steepness(l);
                    return new Effect(l.target(), l.distance(), turned, turned * l.distance());
                });
    }

    private static double steepness(EffectSight line) {
        return Math.abs(1 / Math.tan(line.zenith().getAsDouble()));
    }

    /** An axis that stands beside its mark (metres) on the shortest sight. */
    public Optional<Effect> ofCentring(double beside) {
        return lines.stream()
                .filter(l -> l.distance() > 0)
                .min(Comparator.comparingDouble(EffectSight::distance))
                .map(l -> new Effect(l.target(), l.distance(), Math.abs(beside) / l.distance(), Math.abs(beside)));
    }

    /** Air taken wrong by so many degrees and hectopascals, on the longest sight; empty where the wavelength is unknown. */
    public Optional<Effect> ofAir(Instrument instrument, Atmosphere air, double degrees, double hectopascals) {
        if (instrument.wavelength().isEmpty()) {
            return Optional.empty();
        }
        Atmosphere wrong = new Atmosphere(air.temperature() + degrees, air.pressure() + hectopascals, air.vapour());
        double ppm = Math.abs(Air.ppm(instrument, wrong) - Air.ppm(instrument, air));
        return lines.stream()
                .max(Comparator.comparingDouble(EffectSight::distance))
                .map(l -> new Effect(l.target(), l.distance(), 0, ppm * 1e-6 * l.distance()));
    }
}
