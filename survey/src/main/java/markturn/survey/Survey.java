package markturn.survey;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import markturn.survey.finding.Judgement;
import markturn.survey.finding.Judgements;
import markturn.survey.finding.Rules;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.locate.Positions;
import markturn.survey.reduce.GridScale;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredSetup;
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
        OptionalDouble scaleFactor = GridScale.inForce(booked);
        Job job = booked.withEarth(
                booked.earth().withScaleFactor(scaleFactor.orElse(booked.earth().scaleFactor())));
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
}
