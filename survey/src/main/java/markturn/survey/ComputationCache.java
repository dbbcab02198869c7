package markturn.survey;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.survey.finding.FindingCache;
import markturn.survey.finding.judgement.JudgementCache;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Named;
import markturn.survey.job.Setup;
import markturn.survey.propagate.Propagation;
import markturn.survey.reduce.GridLines;
import markturn.survey.result.GivenMarks;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Position;
import markturn.survey.station.FreeStation;
import markturn.survey.station.Means;
import markturn.survey.station.OccupiedStation;

/**
 * What was computed of a job before, taken over where nothing it rests on has changed. With it or without it the result is the same; with
 * it a job that grew by one reading is computed anew only where that reading counts. One thread at a time.
 */
public final class ComputationCache {
    private List<Object> settings = List.of();
    private List<Mark> marks = List.of();
    private GivenMarks given = GivenMarks.NONE;
    private boolean grown;
    private Set<String> driftTakenOut = Set.of();
    private Map<Setup, Remembered> known = new IdentityHashMap<>();
    private Map<Setup, Remembered> inUse = new IdentityHashMap<>();
    private JudgementCache judged = new JudgementCache();
    private FindingCache found = new FindingCache();
    private final Propagation propagation = new Propagation();
    private Means means = new Means(propagation, Optional.empty());

    /**
     * The names a setup refers to, each once; the marks and places they stood for; and what was measured with them.
     *
     * @param drift whether it was decided to take the drift of its readings out, the one decision that changes what is measured
     */
    private record Remembered(String[] names, Mark[] marks, Position[] places, boolean drift, MeasuredSetup measured) {
        /**
         * Whether everything it refers to is as it was.
         *
         * @param grown whether the job's marks are those of before, with some behind: only names that were none's can be other marks'
         */
        boolean holds(Job job, boolean grown, Map<String, Position> positions) {
            for (int i = 0; i < names.length; i++) {
                Mark mark = grown && marks[i] != null
                        ? marks[i]
                        : job.mark(names[i]).orElse(null);
                Position at = positions.get(trueName(mark, names[i]));
                if (!same(mark, marks[i]) || !same(at, places[i])) {
                    return false;
                }
            }
            return true;
        }

        private static boolean same(Object one, Object other) {
            return one == other || one != null && one.equals(other);
        }
    }

    private static String trueName(Mark mark, String name) {
        return mark == null ? name : mark.sameAs().orElse(name);
    }

    /** A job is about to be computed. */
    void begin(Job job) {
        means = new Means(propagation, GridLines.of(job));
        List<Object> now = List.of(
                means.lines().map(GridLines::geoid),
                job.units(),
                job.classOfWork(),
                job.planOnly(),
                job.earth(),
                job.instruments(),
                job.reflectors(),
                job.fixes());
        if (!now.equals(settings)) {
            settings = now;
            known = new IdentityHashMap<>();
            judged = new JudgementCache();
            found = new FindingCache();
        }
        driftTakenOut = job.decisions().stream()
                .filter(d -> d.what().equals(Decision.CORRECT_DRIFT))
                .map(d -> d.concerning("setup"))
                .collect(Collectors.toSet());
        // What a computation that was ended half-way left here may be of other settings.
        inUse = new IdentityHashMap<>();
        grown = Named.isGrown(job.marks(), marks);
        marks = job.marks();
        given = given.then(marks, job.planOnly());
    }

    /** Covariances, with those known of before. */
    Propagation propagation() {
        return propagation;
    }

    /** The marks of the job before anything was measured. */
    GivenMarks given() {
        return given;
    }

    JudgementCache judged() {
        return judged;
    }

    FindingCache found() {
        return found;
    }

    /** A setup measured, or remembered. */
    MeasuredSetup measured(Job job, Setup setup, Map<String, Position> positions) {
        Remembered before = inUse.getOrDefault(setup, known.get(setup));
        if (before == null
                || before.drift() != driftTakenOut.contains(setup.name())
                || !before.holds(job, grown, positions)) {
            before = remembered(job, setup, positions);
        }
        inUse.put(setup, before);
        return before.measured();
    }

    private Remembered remembered(Job job, Setup setup, Map<String, Position> positions) {
        String[] names = setup.refersTo().toArray(String[]::new);
        Mark[] marks = new Mark[names.length];
        Position[] places = new Position[names.length];
        for (int i = 0; i < names.length; i++) {
            marks[i] = job.mark(names[i]).orElse(null);
            places[i] = positions.get(trueName(marks[i], names[i]));
        }
        return new Remembered(
                names,
                marks,
                places,
                driftTakenOut.contains(setup.name()),
                setup.isFree()
                        ? FreeStation.measure(job, setup, positions, means)
                        : OccupiedStation.measure(job, setup, positions, means));
    }

    /** Lets go of what the job does not hold any more. */
    void end() {
        known = inUse;
        inUse = new IdentityHashMap<>();
    }
}
