package markturn.survey;

import java.util.Arrays;
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
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.propagate.Propagation;
import markturn.survey.reduce.GridLines;
import markturn.survey.result.GivenMarks;
import markturn.survey.result.KnownPositions;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMarks;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.PlacedShots;
import markturn.survey.result.Position;
import markturn.survey.station.FreeStation;
import markturn.survey.station.Means;
import markturn.survey.station.OccupiedStation;
import markturn.survey.station.ShotsMore;

/**
 * What was computed of a job before, taken over where nothing it rests on has changed. With it or without it the result is the same; with
 * it a job that grew by one reading is computed anew only where that reading counts. One thread at a time.
 */
public final class ComputationCache {
    private List<Object> settings = List.of();
    private List<Mark> marks = List.of();
    private List<Mark> marksNow = List.of();
    private GivenMarks given = GivenMarks.NONE;
    private MeasuredMarks measuredMarks = MeasuredMarks.NONE;
    private boolean grown;
    private Set<String> driftTakenOut = Set.of();
    private Map<Setup, Remembered> known = new IdentityHashMap<>();
    private Map<Setup, Remembered> inUse = new IdentityHashMap<>();
    private JudgementCache judged = new JudgementCache();
    private FindingCache found = new FindingCache();
    private final Propagation propagation = new Propagation();
    private Means means = new Means(propagation, Optional.empty());

    /**
     * The names a setup refers to, each once; the marks they stood for, where these stand in the job's list, and their positions; and what was
     * measured with them.
     *
     * @param drift whether it was decided to take the drift of its readings out, the one decision that changes what is measured
     */
    private record Remembered(
            String[] names, Mark[] marks, int[] listed, Position[] places, boolean drift, PlacedShots shots) {
        MeasuredSetup measured() {
            return shots.setup();
        }

        /**
         * Whether everything it refers to is as it was.
         *
         * @param grown whether the job's marks are those of before, with some behind: only names that were none's can be other marks'
         */
        boolean holds(Job job, boolean grown, KnownPositions positions) {
            for (int i = 0; i < names.length; i++) {
                Mark mark = grown && marks[i] != null
                        ? marks[i]
                        : job.mark(names[i]).orElse(null);
                if (!grown && listed[i] != positions.placeOf(trueName(mark, names[i]))) {
                    return false;
                }
                Position at = listed[i] >= 0 ? positions.at(listed[i]) : positions.get(trueName(mark, names[i]));
                if (!same(mark, marks[i]) || !same(at, places[i])) {
                    return false;
                }
            }
            return true;
        }

        /** The same with what readings behind refer to. */
        Remembered grown(Job job, MeasuredSetup longer, KnownPositions positions) {
            List<Reading> readings = longer.setup().readings();
            int behind = measured().setup().readings().size();
            int more = readings.size() - behind;
            String[] allNames = Arrays.copyOf(names, names.length + more);
            Mark[] allMarks = Arrays.copyOf(marks, names.length + more);
            int[] allListed = Arrays.copyOf(listed, names.length + more);
            Position[] allPlaces = Arrays.copyOf(places, names.length + more);
            for (int i = 0; i < more; i++) {
                String name = readings.get(behind + i).target();
                Mark mark = job.mark(name).orElse(null);
                allNames[names.length + i] = name;
                allMarks[names.length + i] = mark;
                allListed[names.length + i] = positions.placeOf(trueName(mark, name));
                allPlaces[names.length + i] = positions.get(trueName(mark, name));
            }
            return new Remembered(allNames, allMarks, allListed, allPlaces, drift, shots.with(longer, positions));
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
        // What is remembered was held last against the marks of the last computation that came to its end.
        grown = Named.isGrown(job.marks(), marks);
        marksNow = job.marks();
        given = given.then(marksNow, job.planOnly());
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
    PlacedShots measured(Job job, Setup setup, KnownPositions positions) {
        Remembered before = inUse.getOrDefault(setup, known.get(setup));
        Remembered now;
        if (before == null) {
            now = grown(job, setup, positions).orElseGet(() -> remembered(job, setup, positions));
        } else if (before.drift() == driftTakenOut.contains(setup.name()) && before.holds(job, grown, positions)) {
            now = before;
        } else {
            now = remembered(job, setup, positions);
        }
        inUse.put(setup, now);
        return now.shots();
    }

    /** What is remembered of a setup that has grown by shots since, with those shots. */
    private Optional<Remembered> grown(Job job, Setup setup, KnownPositions positions) {
        return known.values().stream()
                .filter(r -> r.measured().name().equals(setup.name()))
                .findFirst()
                .filter(r -> !r.drift() && r.holds(job, grown, positions))
                .flatMap(r ->
                        ShotsMore.of(job, r.measured(), setup, means).map(longer -> r.grown(job, longer, positions)));
    }

    private Remembered remembered(Job job, Setup setup, KnownPositions positions) {
        String[] names = setup.refersTo().toArray(String[]::new);
        Mark[] marks = new Mark[names.length];
        int[] listed = new int[names.length];
        Position[] places = new Position[names.length];
        for (int i = 0; i < names.length; i++) {
            marks[i] = job.mark(names[i]).orElse(null);
            listed[i] = positions.placeOf(trueName(marks[i], names[i]));
            places[i] = positions.get(trueName(marks[i], names[i]));
        }
        return new Remembered(
                names,
                marks,
                listed,
                places,
                driftTakenOut.contains(setup.name()),
                PlacedShots.of(
                        setup.isFree()
                                ? FreeStation.measure(job, setup, positions, means)
                                : OccupiedStation.measure(job, setup, positions, means),
                        positions));
    }

    /** What was measured of the job's marks when it was computed last. */
    MeasuredMarks measuredMarks() {
        return measuredMarks;
    }

    /** Lets go of what the job does not hold any more. */
    void end(Measured measured) {
        measuredMarks = measured.marks();
        marks = marksNow;
        known = inUse;
        inUse = new IdentityHashMap<>();
    }
}
