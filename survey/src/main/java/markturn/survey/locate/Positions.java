package markturn.survey.locate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import markturn.survey.job.Adopted;
import markturn.survey.job.Construction;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.SatelliteFix;
import markturn.survey.job.Setup;
import markturn.survey.propagate.Propagation;
import markturn.survey.result.Check;
import markturn.survey.result.GivenMarks;
import markturn.survey.result.KnownPositions;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredMarks;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.PlacedShots;
import markturn.survey.result.Position;
import markturn.survey.result.Shot;
import markturn.survey.result.Unplaced;

/**
 * The positions of a job's marks as they come to be known: given and adopted ones from the start, satellite fixes that are observations of
 * marks without coordinates before the setups (those for comparison give nothing), then what each setup carries. A mark reached twice keeps its first position; the second look is a check.
 */
public final class Positions {
    private final Job job;
    private final Propagation propagation;
    private final GivenMarks given;
    private final KnownPositions known;
    private final Map<String, String> adjustedBy = new HashMap<>();
    private final List<SatelliteFix> toCompare = new ArrayList<>();
    private final List<Check> checks = new ArrayList<>();
    /** Marks adopted by a run whose first fix, which gave their carried position, has not come up yet. */
    private final Set<String> awaited = new HashSet<>();

    /** Constructed and intersected marks that a setup rests on: they stay where they were then. */
    private final Set<String> inUse = new HashSet<>();

    private final Intersections intersections;
    /** Marks that are placed from parts, and the edges of round objects: no intersections. */
    private final Set<String> constructions = new HashSet<>();

    private final SecondSights secondSights;
    /** What was decided holds for the first second sight from a setup. */
    private final Set<String> decidedOnce = new HashSet<>();

    /**
     * As a job begins.
     *
     * @param given of the job's marks
     * @param byRuns positions that traverses adopted, by true name; they take the place of carried ones
     * @param runs by which traverse each of them was adopted
     */
    public Positions(
            Job job,
            GivenMarks given,
            Map<String, Position> byRuns,
            Map<String, String> runs,
            Propagation propagation) {
        this.given = given;
        this.propagation = propagation;
        this.job = job;
        this.secondSights = new SecondSights(job);
        this.intersections = new Intersections(job, propagation);
        for (Mark mark : given.constructed()) {
            mark.by().ifPresent(by -> {
                constructions.add(mark.name());
                if (by instanceof Construction.Round round) {
                    constructions.add(job.trueName(round.leftEdge()));
                    constructions.add(job.trueName(round.rightEdge()));
                }
            });
        }
        this.known = new KnownPositions(given);
        for (Adopted adopted : job.adopted()) {
            Mark.Deviations stdDev = adopted.stdDev().orElse(new Mark.Deviations(0, 0, 0));
            put(job.trueName(adopted.mark()), Position.known(adopted.position(), stdDev));
            adjustedBy.put(job.trueName(adopted.mark()), adopted.from());
        }
        byRuns.forEach((mark, position) -> {
            put(mark, position);
            adjustedBy.put(mark, runs.get(mark));
            awaited.add(mark);
        });
        for (SatelliteFix fix : job.standingFixes()) {
            String mark = job.trueName(fix.mark());
            if (fix.use() == SatelliteFix.Use.CHECK) {
                toCompare.add(fix);
            } else if (!known.containsKey(mark)) {
                put(mark, Position.known(fix.ofMark(), fix.stdDev()));
                known.comesFrom(mark, from(fix));
            }
        }
    }

    private static String from(SatelliteFix fix) {
        return fix.source().isEmpty() ? MeasuredMark.SATELLITE_FIX : fix.source();
    }

    private void put(String mark, Position position) {
        known.put(mark, job.planOnly() ? position.planOnly() : position);
    }

    /** Positions by true name, as known so far. */
    public KnownPositions known() {
        return known;
    }

    /** Takes in what a setup carried: new positions, and checks on what had one. Backsights do neither. */
    public void carry(PlacedShots placed) {
        MeasuredSetup setup = placed.setup();
        if (setup.setup().isFree()) {
            place(setup);
        }
        for (int i = 0; i < placed.places().length; i++) {
            int place = placed.places()[i];
            if (place >= 0 && placed.gives()[i] != null && awaited.isEmpty() && known.at(place) == null) {
                known.found(place, placed.gives()[i], setup.name());
                continue;
            }
            Shot shot = setup.shots().get(i);
            Reading.Role role = shot.fix().role();
            if (role == Reading.Role.BACKSIGHT) {
                continue;
            }
            String mark = shot.mark();
            boolean gives = role != Reading.Role.CHECK && shot.position().isPresent();
            Position held = place < 0 ? known.get(mark) : known.at(place);
            boolean open = held == null || intersections.hasPlaced(mark) && !inUse.contains(mark);
            if (open && Intersections.helps(setup, shot) && !constructions.contains(mark)) {
                intersections.take(setup, shot);
            } else if (gives && awaited.remove(mark)) {
                known.comesFrom(mark, setup.name());
            } else if (held != null) {
                seenAgain(mark, setup.name(), shot.position());
            } else if (gives) {
                known.put(mark, shot.position().get());
                known.comesFrom(mark, setup.name());
            }
        }
        intersect(setup);
    }

    /** Marks that this setup sighted and that no sight places alone; what a polar fix has placed meanwhile stays there. */
    private void intersect(MeasuredSetup setup) {
        for (String mark : intersections.touched(setup)) {
            if (!known.containsKey(mark) || intersections.hasPlaced(mark)) {
                intersections.place(mark).ifPresent(at -> {
                    put(mark, at);
                    known.comesFrom(mark, MeasuredSetup.SEVERAL);
                });
            }
        }
    }

    /** What was sighted and has no place for want of another sight. */
    public List<Unplaced> unplaced() {
        return intersections.unplaced(known.keySet());
    }

    /** A second sight is a check; what was decided about it may put it in the first one's place, and then the first is the check. */
    private void seenAgain(String mark, String setup, Optional<Position> seen) {
        Position first = known.get(mark);
        Optional<Position> decided = seen.isPresent() && !secondSights.isEmpty() && decidedOnce.add(mark + "\n" + setup)
                ? secondSights.decide(job, mark, setup, first, seen.get(), propagation)
                : Optional.empty();
        boolean replaced = decided.isPresent() && decided.equals(seen);
        checks.add(
                replaced
                        ? compare(
                                mark,
                                Optional.ofNullable(known.from(mark)).orElse(setup),
                                Optional.of(first),
                                seen.get())
                        : compare(mark, setup, seen, first));
        decided.ifPresent(position -> known.put(mark, position));
        if (replaced) {
            known.comesFrom(mark, setup);
        }
    }

    /**
     * Places what a setup stands on or is oriented by and what could not be held at itself, from what was seen before.
     *
     * @param before the setups that came before it
     */
    public void construct(Setup needing, List<MeasuredSetup> before) {
        Stream.concat(Stream.of(needing.station()), needing.orientation().sights().stream())
                .map(job::trueName)
                .filter(intersections::hasPlaced)
                .forEach(inUse::add);
        Stream.concat(Stream.of(needing.station()), needing.orientation().sights().stream())
                .map(job::trueName)
                .filter(name -> !known.containsKey(name))
                .flatMap(name -> job.mark(name).stream())
                .filter(this::isConstructed)
                .forEach(mark -> {
                    construct(mark, before);
                    inUse.add(mark.name());
                });
    }

    /**
     * Places what could not be held at itself, once everything was carried. What a setup has rested on already stays where it was then.
     *
     * @param setups all of the job
     */
    public void construct(List<MeasuredSetup> setups) {
        for (Mark mark : given.constructed()) {
            if (isConstructed(mark) && !inUse.contains(mark.name())) {
                known.remove(mark.name());
                construct(mark, setups);
            }
        }
    }

    private boolean isConstructed(Mark mark) {
        return mark.by().isPresent() && mark.given().isEmpty() && !adjustedBy.containsKey(mark.name());
    }

    private void construct(Mark mark, List<MeasuredSetup> setups) {
        new Constructions(job, setups, known, propagation).place(mark).ifPresent(placed -> {
            put(mark.name(), placed.at());
            known.comesFrom(mark.name(), placed.from());
        });
    }

    /** A free station is a mark that was fixed; one that had a position is checked by it. */
    private void place(MeasuredSetup setup) {
        String mark = job.trueName(setup.setup().station());
        if (setup.station().isPresent() && awaited.remove(mark)) {
            known.comesFrom(mark, setup.name());
        } else if (known.containsKey(mark)) {
            checks.add(compare(mark, setup.name(), setup.station(), known.get(mark)));
        } else {
            setup.station().ifPresent(at -> {
                known.put(mark, at);
                known.comesFrom(mark, setup.name());
            });
        }
    }

    private Check compare(String mark, String from, Optional<Position> seen, Position known) {
        OptionalDouble none = OptionalDouble.empty();
        if (seen.isEmpty()) {
            return new Check(mark, from, none, none, none, none, none);
        }
        Position second = seen.get();
        double north = second.northing() - known.northing();
        double east = second.easting() - known.easting();
        double variance = second.plan()
                .plus(known.plan())
                .lessBoth(propagation.covariance(second.planLineage(mark + " by " + from), known.planLineage(mark)))
                .along(Math.atan2(east, north));
        boolean levels = second.elevation().isPresent() && known.elevation().isPresent();
        return new Check(
                mark,
                from,
                OptionalDouble.of(north),
                OptionalDouble.of(east),
                levels
                        ? OptionalDouble.of(second.elevation().getAsDouble()
                                - known.elevation().getAsDouble())
                        : none,
                OptionalDouble.of(Math.sqrt(Math.max(0, variance))),
                levels ? OptionalDouble.of(Math.sqrt(Math.max(0, levelVariance(mark, from, second, known)))) : none);
    }

    private double levelVariance(String mark, String from, Position second, Position known) {
        double[] shared = propagation.covariance(second.levelLineage(mark + " by " + from), known.levelLineage(mark));
        return second.elevationVariance().getAsDouble()
                + known.elevationVariance().getAsDouble()
                - (shared.length == 0 ? 0 : 2 * shared[0]);
    }

    /** All checks: those of the setups in order, then satellite fixes against the final positions. */
    public List<Check> checks() {
        List<Check> all = new ArrayList<>(checks);
        for (SatelliteFix fix : toCompare) {
            if (!known.containsKey(job.trueName(fix.mark()))) {
                continue;
            }
            Position seen = Position.known(fix.ofMark(), fix.stdDev());
            all.add(compare(
                    job.trueName(fix.mark()),
                    from(fix),
                    Optional.of(job.planOnly() ? seen.planOnly() : seen),
                    known.get(job.trueName(fix.mark()))));
        }
        return all;
    }

    /** Free stations that the job's list of marks leaves out: they are new control all the same. */
    private Stream<Mark> unlistedStations() {
        return job.setups().stream()
                .filter(s -> s.isFree() && job.mark(s.station()).isEmpty())
                .map(Setup::station)
                .distinct()
                .map(name -> Mark.named(name, Mark.Kind.NEW));
    }

    /**
     * Every mark once, without its other names.
     *
     * @param before the same of the job before it grew; what is the same is taken over
     */
    public MeasuredMarks marks(MeasuredMarks before) {
        return new MeasuredMarks(
                given, known, adjustedBy, unlistedStations().map(this::measured).toList(), before);
    }

    private MeasuredMark measured(Mark mark) {
        return new MeasuredMark(
                mark,
                Optional.ofNullable(known.get(mark.name())),
                Optional.ofNullable(known.from(mark.name())),
                Optional.ofNullable(adjustedBy.get(mark.name())));
    }
}
