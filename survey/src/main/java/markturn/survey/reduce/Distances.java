package markturn.survey.reduce;

import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/** Corrections of a slope distance as the instrument showed it. */
public final class Distances {
    private Distances() {}

    /**
     * The ppm that belongs to a setup: from its air, where both air and wavelength are known. Empty: whatever the instrument applied is
     * left as it is.
     */
    public static OptionalDouble ppm(Job job, Setup setup) {
        boolean known = setup.atmosphere().isPresent()
                && job.instrument(setup.instrument()).wavelength().isPresent();
        return known
                ? OptionalDouble.of(Air.ppm(
                        job.instrument(setup.instrument()), setup.atmosphere().get()))
                : OptionalDouble.empty();
    }

    /**
     * {@code S' = S + (K − K_set) + S·(ppm − ppm_set)·10⁻⁶}: what the instrument had keyed in is taken out, what belongs there is put in.
     * What it does not report as applied is taken to have been right.
     *
     * @return corrected slope distance, metres; empty where no distance was measured
     */
    public static OptionalDouble corrected(Job job, Setup setup, Reading reading) {
        if (reading.slope().isEmpty()) {
            return OptionalDouble.empty();
        }
        double shown = reading.slope().getAsDouble();
        double constant = job.reflector(reading.reflector()).constant();
        OptionalDouble ppm = ppm(job, setup);
        double constantApplied = reading.applied()
                .map(Reading.Applied::constant)
                .orElse(OptionalDouble.empty())
                .orElse(constant);
        double corrected = shown + (constant - constantApplied);
        OptionalDouble ppmApplied = reading.applied().map(Reading.Applied::ppm).orElse(OptionalDouble.empty());
        if (ppm.isPresent() && ppmApplied.isPresent()) {
            corrected += shown * (ppm.getAsDouble() - ppmApplied.getAsDouble()) * 1e-6;
        }
        return OptionalDouble.of(corrected);
    }
}
