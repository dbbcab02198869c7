package markturn.survey.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.job.Units;
import markturn.survey.result.Position;

/** Grounds with control and wanted marks, drawn by chance from a seed. */
final class Sites {
    static final double SIDE = 200;

    private Sites() {}

    static Instrument instrument() {
        return new Instrument(
                "station",
                2 * Angles.SECOND,
                2 * Angles.SECOND,
                0.002,
                2,
                0.0007,
                0.001,
                OptionalDouble.empty(),
                Atmosphere.USUAL_REFERENCE,
                Optional.empty());
    }

    static Job job() {
        return Job.opened(
                        "plan",
                        "",
                        new Units(LengthUnit.METRE, AngleUnit.DMS),
                        ClassOfWork.of(ClassOfWork.Preset.ENGINEERING),
                        false,
                        new Earth(6371000, 0.13, true, 1))
                .plus(instrument())
                .plus(new Reflector("prism", 0, 0.001, 0.001, Optional.empty()));
    }

    static Place place(Random random) {
        return new Place(1000 + SIDE * random.nextDouble(), 5000 + SIDE * random.nextDouble());
    }

    static List<Obstacle> obstacles(Random random, int many) {
        List<Obstacle> all = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            Place middle = place(random);
            List<Place> corners = new ArrayList<>();
            boolean closed = random.nextBoolean();
            int count = closed ? 3 + random.nextInt(4) : 2;
            double first = random.nextDouble() * Angles.TURN;
            for (int k = 0; k < count; k++) {
                corners.add(middle.towards(first + Angles.TURN * k / count, 3 + 17 * random.nextDouble()));
            }
            all.add(new Obstacle("O" + i, Obstacle.Kind.BLOCKS_VIEW, closed, corners, OptionalDouble.empty()));
        }
        return all;
    }

    /** Control C0, C1 … with coordinates in the job. */
    static Site site(Random random, int control, int obstacles) {
        Job job = job();
        Map<String, Position> known = new LinkedHashMap<>();
        for (int i = 0; i < control; i++) {
            Place at = place(random);
            Mark.Coordinates given =
                    new Mark.Coordinates(at.northing(), at.easting(), OptionalDouble.of(10 + random.nextDouble()));
            job = job.plus(Mark.control("C" + i, given.northing(), given.easting(), given.elevation(), ""));
            known.put("C" + i, Position.held(given));
        }
        return new Site(job, known, new Ground(obstacles(random, obstacles)));
    }

    /** The same with control that is known within some millimetres only. */
    static Site observed(Site site) {
        Job job = site.job();
        Map<String, Position> known = new LinkedHashMap<>();
        Mark.Deviations within = new Mark.Deviations(0.003, 0.002, 0.004);
        for (Mark mark : site.job().marks()) {
            job = job.withMark(mark.name(), m -> m.withStdDev(Optional.of(within)));
            known.put(mark.name(), Position.known(mark.given().orElseThrow(), within));
        }
        return new Site(job, known, site.ground());
    }

    static WantedMark wanted(Random random, String name, double plan) {
        Place at = place(random);
        return new WantedMark(
                name,
                new Mark.Coordinates(at.northing(), at.easting(), OptionalDouble.of(10 + random.nextDouble())),
                OptionalDouble.of(plan),
                OptionalDouble.empty(),
                OptionalDouble.empty());
    }
}
