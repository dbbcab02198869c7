package markturn.survey.plan;

import java.util.LinkedHashMap;
import java.util.Map;
import markturn.survey.adjust.Coordinate;
import markturn.survey.adjust.Difference;
import markturn.survey.adjust.Direction;
import markturn.survey.adjust.Distance;
import markturn.survey.adjust.NumberedPlace;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.reduce.Weights;
import markturn.survey.result.Position;

/**
 * What one planned setup says of the marks that are to be found: its observations as the network takes them, its own unknowns (orientation,
 * where the instrument stood, the height of its axis) eliminated.
 *
 * @param inPlan of northing and easting of its marks
 * @param planUnknowns their numbers among all marks
 * @param levels of the elevations of its marks
 * @param levelUnknowns their numbers among all marks
 */
record Contribution(Information inPlan, int[] planUnknowns, Information levels, int[] levelUnknowns) {
    /**
     * Of a setup.
     *
     * @param numbers of the marks that are to be found, from 0; with that of a free station where its place is asked for too
     * @param near where everything lies about; what has no number does not move
     */
    static Contribution of(Job job, PlannedSetup setup, Map<String, Integer> numbers, Map<String, Position> near) {
        return new Making(job, setup, numbers, near).make();
    }

    /** What given coordinates with deviations say, where nothing holds them: of all marks that have a number. */
    static Contribution ofCoordinates(Job job, Map<String, Integer> numbers) {
        Information plan = new Information(2 * numbers.size());
        Information levels = new Information(numbers.size());
        int[] planUnknowns = new int[2 * numbers.size()];
        int[] levelUnknowns = new int[numbers.size()];
        double[] nowhere = new double[2 * numbers.size()];
        numbers.forEach((mark, number) -> {
            planUnknowns[2 * number] = 2 * number;
            planUnknowns[2 * number + 1] = 2 * number + 1;
            levelUnknowns[number] = number;
            job.mark(mark)
                    .filter(m -> m.given().isPresent())
                    .flatMap(Mark::stdDev)
                    .ifPresent(known -> {
                        plan.observe(new Coordinate(2 * number, 0, Math.max(known.northing(), SMALLEST)), nowhere);
                        plan.observe(new Coordinate(2 * number + 1, 0, Math.max(known.easting(), SMALLEST)), nowhere);
                        levels.observe(new Coordinate(number, 0, Math.max(known.elevation(), SMALLEST)), nowhere);
                    });
        });
        return new Contribution(plan, planUnknowns, levels, levelUnknowns);
    }

    /** No coordinate is known better, metres. */
    private static final double SMALLEST = 1e-6;

    private static final class Making {
        private final Job job;
        private final PlannedSetup setup;
        private final Map<String, Position> near;
        private final Map<String, Integer> numbers;
        private final Map<String, Integer> local = new LinkedHashMap<>();
        private final Position from;
        private final Instrument instrument;
        private final Weights ofTarget;
        private final Weights weights;

        Making(Job job, PlannedSetup setup, Map<String, Integer> numbers, Map<String, Position> near) {
            this.job = job;
            this.setup = setup;
            this.near = near;
            this.numbers = numbers;
            this.from = near.get(setup.station());
            this.instrument = job.instrument(setup.instrument());
            this.ofTarget = new Weights(instrument, 0, job.earth());
            this.weights = new Weights(instrument, setup.isFree() ? 0 : instrument.centringStdDev(), job.earth());
            setup.aims().forEach(aim -> number(aim.target()));
            number(setup.station());
        }

        private void number(String mark) {
            if (numbers.containsKey(mark)) {
                local.computeIfAbsent(mark, name -> local.size());
            }
        }

        Contribution make() {
            int marks = local.size();
            int[] planUnknowns = new int[2 * marks];
            int[] levelUnknowns = new int[marks];
            local.forEach((mark, here) -> {
                planUnknowns[2 * here] = 2 * numbers.get(mark);
                planUnknowns[2 * here + 1] = 2 * numbers.get(mark) + 1;
                levelUnknowns[here] = numbers.get(mark);
            });
            return new Contribution(plan(marks), planUnknowns, levels(marks), levelUnknowns);
        }

        /** Where a mark lies from the station: an unknown, or held. */
        private NumberedPlace place(String mark) {
            Position at = near.get(mark);
            double north = at.northing() - from.northing();
            double east = at.easting() - from.easting();
            Integer here = local.get(mark);
            return here == null
                    ? NumberedPlace.held(north, east)
                    : new NumberedPlace(2 * here, 2 * here + 1, north, east);
        }

        private Information plan(int marks) {
            int own = 2 * marks;
            Information all = new Information(own + 3);
            double[] values = new double[own + 3];
            local.forEach((mark, here) -> {
                NumberedPlace at = place(mark);
                values[2 * here] = at.northing();
                values[2 * here + 1] = at.easting();
            });
            boolean isSought = setup.isFree() && local.containsKey(setup.station());
            boolean stands = !isSought && (setup.isFree() || weights.instrumentCentring() > 0);
            NumberedPlace stood = stands ? NumberedPlace.unknown(own, own + 1) : place(setup.station());
            if (!setup.isFree() && stands) {
                NumberedPlace mark = place(setup.station());
                all.observe(new Difference(mark.north(), own, 0, 0, 0, weights.instrumentCentring()), values);
                all.observe(new Difference(mark.east(), own + 1, 0, 0, 0, weights.instrumentCentring()), values);
            }
            for (PlannedSetup.Aim aim : setup.aims()) {
                NumberedPlace to = place(aim.target());
                Reflector reflector = reflector(aim);
                double length = Math.max(from.distanceTo(near.get(aim.target())), Weights.NEAREST);
                double direction = Math.sqrt(ofTarget.direction(setup.sets(), reflector, length));
                double distance = Math.sqrt(ofTarget.distance(setup.sets(), reflector, length));
                all.observe(new Direction(stood, to, own + 2, 0, direction), values);
                all.observe(new Distance(stood, to, NumberedPlace.HELD, NumberedPlace.HELD, length, distance), values);
            }
            return all.ofFirst(own);
        }

        private Information levels(int marks) {
            Information all = new Information(marks + 1);
            if (job.planOnly()) {
                return all.ofFirst(marks);
            }
            double[] values = new double[marks + 1];
            Integer station = local.get(setup.station());
            if (!setup.isFree() && instrument.heightStdDev() > 0) {
                int on = station == null ? NumberedPlace.HELD : station;
                all.observe(new Difference(on, marks, 0, 0, 0, instrument.heightStdDev()), values);
            }
            for (PlannedSetup.Aim aim : setup.aims()) {
                Position at = near.get(aim.target());
                if (at.elevation().isPresent() && from.elevation().isPresent()) {
                    Integer to = local.get(aim.target());
                    all.observe(
                            new Difference(marks, to == null ? NumberedPlace.HELD : to, 0, 0, 0, rise(aim, at)),
                            values);
                }
            }
            return all.ofFirst(marks);
        }

        private double rise(PlannedSetup.Aim aim, Position at) {
            double length = Math.max(from.distanceTo(at), Weights.NEAREST);
            double up = at.elevation().getAsDouble() - from.elevation().getAsDouble();
            return Math.sqrt(weights.heightDifference(
                    setup.sets(), setup.sets(), reflector(aim), length, Math.PI / 2 - Math.atan2(up, length)));
        }

        private Reflector reflector(PlannedSetup.Aim aim) {
            return job.reflectors().stream()
                    .filter(r -> r.name().equals(aim.reflector()))
                    .findFirst()
                    .orElse(Reflector.NONE);
        }
    }
}
