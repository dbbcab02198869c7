package markturn.survey;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.survey.finding.JudgedBefore;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.station.FreeStation;
import markturn.survey.station.OccupiedStation;

/**
 * What was computed of a job before, taken over where nothing it rests on has changed. With it or without it the result is the same; with
 * it a job that grew by one reading is computed anew only where that reading counts. One thread at a time.
 */
public final class Memory {
    private static final String UNKNOWN = "unknown";

    private List<Object> settings = List.of();
    private Map<Setup, Remembered> known = new IdentityHashMap<>();
    private Map<Setup, Remembered> inUse = new IdentityHashMap<>();
    private JudgedBefore judged = new JudgedBefore();

    /** A measured setup, and the marks and places it refers to as they were. */
    private record Remembered(List<Object> restsOn, MeasuredSetup measured) {}

    /** A job is about to be computed. */
    void begin(Job job) {
        List<Object> now = List.of(
                job.units(),
                job.classOfWork(),
                job.planOnly(),
                job.earth(),
                job.instruments(),
                job.reflectors(),
                job.fixes(),
                job.decisions());
        if (!now.equals(settings)) {
            settings = now;
            known = new IdentityHashMap<>();
            judged = new JudgedBefore();
        }
    }

    JudgedBefore judged() {
        return judged;
    }

    /** A setup measured, or remembered. */
    MeasuredSetup measured(Job job, Setup setup, Map<String, Position> positions) {
        List<Object> restsOn = restsOn(job, setup, positions);
        Remembered before = inUse.getOrDefault(setup, known.get(setup));
        if (before == null || !before.restsOn().equals(restsOn)) {
            before = new Remembered(
                    restsOn,
                    setup.isFree()
                            ? FreeStation.measure(job, setup, positions)
                            : OccupiedStation.measure(job, setup, positions));
        }
        inUse.put(setup, before);
        return before.measured();
    }

    private static List<Object> restsOn(Job job, Setup setup, Map<String, Position> positions) {
        Set<String> names = new LinkedHashSet<>();
        names.add(setup.station());
        names.addAll(setup.orientation().sights());
        for (Reading reading : setup.readings()) {
            names.add(reading.target());
        }
        List<Object> all = new ArrayList<>(2 * names.size());
        for (String name : names) {
            Optional<Mark> mark = job.mark(name);
            Position at = positions.get(mark.flatMap(Mark::sameAs).orElse(name));
            all.add(mark);
            all.add(at == null ? UNKNOWN : at);
        }
        return all;
    }

    /** Lets go of what the job does not hold any more. */
    void end() {
        known = inUse;
        inUse = new IdentityHashMap<>();
    }
}
