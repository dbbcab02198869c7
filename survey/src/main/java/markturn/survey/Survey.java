package markturn.survey;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.survey.finding.Judgement;
import markturn.survey.finding.Judgements;
import markturn.survey.finding.Rules;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.locate.Positions;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.Covariance;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.station.FreeStation;
import markturn.survey.station.OccupiedStation;

/** The computation of a job. It reads like the order of the work: each setup in turn, then what it carried, then the judgement. */
public final class Survey {
    private Survey() {}

    /**
     * Computes everything from the raw readings: a pure function.
     *
     * @param booked a job whose names are unique and all listed; readings that cannot be used leave empty results and findings, never an exception
     */
    public static SurveyResult compute(Job booked) {
        Job job = inForce(booked);
        Positions positions = new Positions(job);
        List<MeasuredSetup> setups = new ArrayList<>();
        for (Setup setup : job.setups()) {
            MeasuredSetup measured = setup.isFree()
                    ? FreeStation.measure(job, setup, positions.known())
                    : OccupiedStation.measure(job, setup, positions.known());
            positions.carry(measured);
            setups.add(measured);
        }
        Measured measured = new Measured(setups, positions.marks(), positions.checks());
        List<Judgement> judgements = Judgements.of(job, measured);
        return new SurveyResult(job, measured, judgements, Rules.judge(job, measured, judgements));
    }

    /**
     * One free station computed again with other marks taking part, everything before it as it stands: what a switch asks.
     *
     * @param computed the job as it is
     * @param setup name of a free station of it
     * @param by what is left out instead
     */
    public static MeasuredSetup whatIf(SurveyResult computed, String setup, Setup.ByResection by) {
        Job job = inForce(computed.job());
        Setup free = job.setup(setup).orElseThrow().withOrientation(by);
        return FreeStation.measure(job, free, knownBefore(computed, setup));
    }

    /**
     * What a free station's plan would be worth with one more mark at a place (metres); empty where it has no position yet.
     */
    public static Optional<Covariance> withOneMore(
            SurveyResult computed, String setup, double northing, double easting) {
        Job job = inForce(computed.job());
        return FreeStation.withOneMore(
                job, job.setup(setup).orElseThrow(), knownBefore(computed, setup), northing, easting);
    }

    private static Job inForce(Job booked) {
        double given = booked.earth().scaleFactor();
        return booked.withEarth(
                booked.earth().withScaleFactor(GridScale.inForce(booked).orElse(given)));
    }

    /** Positions that do not come from this setup or a later one. */
    private static Map<String, Position> knownBefore(SurveyResult computed, String setup) {
        List<String> names = computed.job().setups().stream().map(Setup::name).toList();
        int at = names.indexOf(setup);
        Map<String, Position> known = new HashMap<>();
        computed.measured().marks().stream()
                .filter(m -> m.position().isPresent()
                        && (m.from().isEmpty() || names.indexOf(m.from().get()) < at))
                .forEach(m -> known.put(m.name(), m.position().get()));
        return known;
    }
}
