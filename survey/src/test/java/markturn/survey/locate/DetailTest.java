package markturn.survey.locate;

import static markturn.survey.Jobs.reading;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.job.Code;
import markturn.survey.job.Construction;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Joining;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.result.Check;
import markturn.survey.result.CodeLine;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Detail: constructions, lines by code, second sights, the scale of the plan, set-out. The station A is at 1000, 5000, 10; B due north of it. */
class DetailTest {
    private static final Reading BACK = reading("B", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", 100.0);

    private static Job job(List<Mark> more, List<Reading> readings) {
        List<Reading> all = new ArrayList<>(List.of(BACK));
        all.addAll(readings);
        Job job = Jobs.with(all);
        for (Mark mark : more) {
            job = job.plus(mark);
        }
        return job;
    }

    private static Mark located(String name) {
        return Mark.named(name, Mark.Kind.LOCATED);
    }

    private static Reading shot(String target, double azimuth, double zenith, double slope) {
        String circle = AngleUnit.DMS.write(azimuth, 4);
        return reading(target, Role.DETAIL, 0, Face.LEFT, circle, AngleUnit.DMS.write(zenith, 4), slope);
    }

    /** Where a mark lies in the world, seen from A with the axis at 11.6 and the pole at 1.6. */
    private static Reading sight(String target, double north, double east, double up) {
        double horizontal = Math.hypot(north, east);
        return shot(target, Math.atan2(east, north), Math.atan2(horizontal, up), Math.hypot(horizontal, up));
    }

    private static Position at(Job job, String mark) {
        return Survey.compute(job)
                .measured()
                .mark(mark)
                .flatMap(m -> m.position())
                .orElseThrow();
    }

    // Source: plane geometry; a circle of known centre and radius, its tangents from the station by asin(r/d).
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void aRoundObjectIsFoundByItsEdges(long seed) {
        Random random = new Random(seed);
        double distance = 12 + 30 * random.nextDouble();
        double radius = 0.2 + random.nextDouble();
        double azimuth = 0.5 + 2 * random.nextDouble();
        double half = Math.asin(radius / distance);
        Job job = job(
                List.of(
                        located("l"),
                        located("r"),
                        located("f"),
                        located("tree").withConstruction(new Construction.Round("l", "r", "f"))),
                List.of(
                        shot("l", azimuth - half, Math.PI / 2, 0),
                        shot("r", azimuth + half, Math.PI / 2, 0),
                        shot("f", azimuth, Math.PI / 2, distance - radius)));
        Position tree = at(job, "tree");
        assertThat(tree.northing()).isCloseTo(1000 + distance * Math.cos(azimuth), within(1e-5));
        assertThat(tree.easting()).isCloseTo(5000 + distance * Math.sin(azimuth), within(1e-5));
        assertThat(Survey.compute(job).measured().mark("tree").orElseThrow().from())
                .contains("S1");
    }

    // Source: plane geometry; two walls at a right angle, neither of which shows its corner.
    @Test
    void aCornerIsWhereTwoLinesMeet() {
        Job job = job(
                List.of(
                        located("1"),
                        located("2"),
                        located("3"),
                        located("4"),
                        located("corner").withConstruction(new Construction.Corner("1", "2", "3", "4"))),
                List.of(sight("1", 20, 5, 0), sight("2", 20, 8, 0), sight("3", 15, 12, 0), sight("4", 12, 12, 0)));
        Position corner = at(job, "corner");
        assertThat(corner.northing()).isCloseTo(1020, within(1e-4));
        assertThat(corner.easting()).isCloseTo(5012, within(1e-4));
        // Prolonged beyond both walls it is known worse than what it rests on.
        assertThat(Math.sqrt(corner.plan().nn() + corner.plan().ee()))
                .isGreaterThan(
                        Math.sqrt(at(job, "2").plan().nn() + at(job, "2").plan().ee()));
    }

    // Source: plane geometry; the corner lies at 1020, 5012, so A is seen from it at the azimuth back to 1000, 5000.
    @Test
    void whatWasConstructedCanBeStoodOnAndSighted() {
        Job job = job(
                List.of(
                        located("1"),
                        located("2"),
                        located("3"),
                        located("4"),
                        located("corner").withConstruction(new Construction.Corner("1", "2", "3", "4"))),
                List.of(sight("1", 20, 5, 0), sight("2", 20, 8, 0), sight("3", 15, 12, 0), sight("4", 12, 12, 0)));
        double toA = Math.atan2(-12, -20);
        Job longer = job.plus(Jobs.setup(
                        "S2",
                        "corner",
                        "A",
                        List.of(
                                reading("A", Role.BACKSIGHT, 1, Face.LEFT, "0-00-00", "90-00-00", Math.hypot(20, 12)),
                                // Due east of the corner.
                                reading(
                                        "T1",
                                        Role.FORESIGHT,
                                        1,
                                        Face.LEFT,
                                        AngleUnit.DMS.write(Angles.onCircle(Math.PI / 2 - toA), 4),
                                        "90-00-00",
                                        40))))
                .plus(Jobs.setup(
                        "S3",
                        "C",
                        "corner",
                        List.of(
                                reading(
                                        "corner",
                                        Role.BACKSIGHT,
                                        1,
                                        Face.LEFT,
                                        "0-00-00",
                                        "90-00-00",
                                        Math.hypot(20, 188)),
                                reading(
                                        "T2",
                                        Role.FORESIGHT,
                                        1,
                                        Face.LEFT,
                                        AngleUnit.DMS.write(Angles.onCircle(-Math.atan2(-188, 20)), 4),
                                        "90-00-00",
                                        60))));
        assertThat(at(longer, "T1").northing()).isCloseTo(1020, within(1e-4));
        assertThat(at(longer, "T1").easting()).isCloseTo(5052, within(1e-4));
        // Due north of C.
        assertThat(at(longer, "T2").northing()).isCloseTo(1060, within(1e-3));
        assertThat(at(longer, "T2").easting()).isCloseTo(5200, within(1e-3));
        // What it rests on it still says: the corner's own uncertainty goes with it.
        assertThat(at(longer, "T1").plan().nn())
                .isGreaterThan(at(longer, "corner").plan().nn());
        // Stood on before its walls were seen it has no place, and that is said.
        Job before =
                job.withSetups(List.of(longer.setups().get(1), longer.setups().get(0)));
        assertThat(Survey.compute(before).findings()).anyMatch(f -> f.code() == FindingCode.STATION_UNKNOWN);
    }

    @Test
    void parallelWallsHaveNoCorner() {
        Job job = job(
                List.of(
                        located("1"),
                        located("2"),
                        located("3"),
                        located("4"),
                        located("corner").withConstruction(new Construction.Corner("1", "2", "3", "4"))),
                List.of(sight("1", 20, 5, 0), sight("2", 20, 8, 0), sight("3", 25, 5, 0), sight("4", 25, 8, 0)));
        assertThat(Survey.compute(job).measured().mark("corner").orElseThrow().position())
                .isEmpty();
    }

    // Source: right-angled triangle; a wire 7.40 m over a point 30 m away.
    @Test
    void aHeightThatCannotBeReached() {
        Job job = job(
                List.of(located("ground"), located("wire").withConstruction(new Construction.Above("ground"))),
                List.of(
                        sight("ground", 18, 24, 0.5),
                        shot("wire", Math.atan2(24, 18), Math.atan2(30, 10.5 + 7.4 - 11.6), 0)));
        assertThat(at(job, "wire").elevation().getAsDouble()).isCloseTo(10.5 + 7.4, within(2e-4));
        assertThat(at(job, "wire").northing()).isEqualTo(at(job, "ground").northing());
    }

    @Test
    void codesJoinPoints() {
        List<Mark> marks = new ArrayList<>();
        List<Reading> readings = new ArrayList<>();
        Object[][] line = {
            {"1", 1, Joining.Act.BEGIN}, {"2", 1, Joining.Act.GO_ON}, {"3", 2, Joining.Act.BEGIN},
            {"4", 1, Joining.Act.CLOSE}, {"5", 2, Joining.Act.GO_ON}, {"6", 2, Joining.Act.BEGIN}
        };
        for (int i = 0; i < line.length; i++) {
            marks.add(located((String) line[i][0])
                    .withCode("WALL")
                    .withJoining(Optional.of(new Joining((Integer) line[i][1], (Joining.Act) line[i][2]))));
            readings.add(sight((String) line[i][0], 10 + 3 * (i % 2), 10 + 2 * i, 0));
        }
        List<CodeLine> lines = CodeLines.of(Survey.compute(job(marks, readings)).measured());
        assertThat(lines.stream()
                        .map(l -> l.points().stream().map(p -> p.name()).toList() + (l.closed() ? " closed" : "")))
                .containsExactly("[1, 2, 4] closed", "[3, 5]", "[6]");
        double around = lines.get(0).length();
        assertThat(around)
                .isEqualTo(
                        lines.get(0).at(0).distanceTo(lines.get(0).at(1))
                                + lines.get(0).at(1).distanceTo(lines.get(0).at(2))
                                + lines.get(0).at(2).distanceTo(lines.get(0).at(0)),
                        within(1e-9));
    }

    @Test
    void codesOwnTheirNumbers() {
        Code tree = new Code(
                "TREE",
                "",
                Optional.of(new Code.Numbers(2000, 2002)),
                OptionalDouble.empty(),
                false,
                Code.Sign.STAR,
                Code.Stroke.SOLID);
        Job job = job(List.of(), List.of());
        assertThat(tree.nextFree(job)).contains("2000");
        assertThat(tree.nextFree(job.plus(located("2000")))).contains("2001");
        assertThat(tree.nextFree(job.plus(located("2002")))).isEmpty();
        assertThat(Code.plain("WALL").nextFree(job.plus(located("WALL 7")))).contains("WALL 8");
        assertThat(Code.plain("WALL").nextFree(job)).contains("WALL 1");
    }

    private static Job seenTwice(String how) {
        Job job = job(
                List.of(located("p")),
                List.of(sight("p", 30, 40, 0), sight("T1", 10, 10, 0), sight("p", 30.03, 40, 0.02)));
        return how.isEmpty()
                ? job
                : job.plus(new Decision(
                        Optional.empty(),
                        "wren",
                        Decision.SECOND_SIGHT,
                        Map.of("mark", "p", "setup", "S1", "how", how),
                        "tested",
                        Optional.empty(),
                        Optional.empty()));
    }

    // A point fixed a second time is a check, never an overwrite; the three answers are those of the practice page.
    @Test
    void aSecondSightIsKeptMeanedOrReplacedByDecision() {
        for (String kept : List.of("", "keep")) {
            assertThat(at(seenTwice(kept), "p").northing()).isCloseTo(1030, within(1e-4));
        }
        assertThat(at(seenTwice("mean"), "p").northing()).isCloseTo(1030.015, within(1e-4));
        assertThat(at(seenTwice("mean"), "p").elevation().getAsDouble()).isCloseTo(10.01, within(1e-4));
        assertThat(at(seenTwice("replace"), "p").northing()).isCloseTo(1030.03, within(1e-4));
        SurveyResult replaced = Survey.compute(seenTwice("replace"));
        Check check = replaced.measured().checks().get(0);
        assertThat(check.northingDifference().getAsDouble()).isCloseTo(-0.03, within(1e-4));
        assertThat(Survey.compute(seenTwice(""))
                        .measured()
                        .checks()
                        .get(0)
                        .northingDifference()
                        .getAsDouble())
                .isCloseTo(0.03, within(1e-4));
        // Two equal fixes meaned: half of what each has alone, and all of what both share (instrument, backsight, the
        // target's place).
        double one = at(seenTwice("keep"), "p").plan().nn();
        double alone = Math.pow(check.positionStdDev().getAsDouble(), 2) / 2;
        assertThat(at(seenTwice("mean"), "p").plan().nn()).isCloseTo(one - alone / 2, within(1e-7));
        assertThat(alone).isBetween(one / 10, one * 0.9);
    }

    // Source: 0.2 mm on paper is M/5000 m on the ground (common practice, no source).
    @Test
    void aPlanShowsNothingSmallerThanItsPen() {
        assertThat(new PlanScale(500).smallest()).isCloseTo(500 / 5000.0, within(1e-12));
        Job job = job(
                List.of(
                        located("1").withCode("X"),
                        located("2").withCode("X"),
                        located("3").withCode("Y")),
                List.of(sight("1", 10, 10, 0), sight("2", 10.06, 10, 0), sight("3", 10.06, 10, 0)));
        assertThat(new PlanScale(500).superfluous(Survey.compute(job).measured()))
                .containsExactly("2");
        assertThat(new PlanScale(200).superfluous(Survey.compute(job).measured()))
                .isEmpty();
    }

    // A square hut north-east of A: its south and west sides face the instrument, the others do not.
    @Test
    void theFarSidesOfAHutHaveNotBeenSeen() {
        double[][] corners = {{20, 20}, {20, 30}, {30, 30}, {30, 20}};
        List<Mark> marks = new ArrayList<>();
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            Joining.Act act = i == 0 ? Joining.Act.BEGIN : i == 3 ? Joining.Act.CLOSE : Joining.Act.GO_ON;
            marks.add(located("h" + i).withCode("HUT").withJoining(Optional.of(new Joining(1, act))));
            readings.add(sight("h" + i, corners[i][0], corners[i][1], 0));
        }
        assertThat(PlanScale.unseen(Survey.compute(job(marks, readings)).measured()).stream()
                        .map(PlanScale.Side::words))
                .containsExactly("h1 to h2", "h2 to h3");
    }

    private static Position place(double north, double east, double up) {
        return new Position(north, east, OptionalDouble.of(up), Covariance.NONE, OptionalDouble.of(0));
    }

    // Source: a right-angled triangle 3-4-5, and the turn from north.
    @Test
    void aPointIsSetOutByTurnAndDistance() {
        Job job = job(List.of(), List.of());
        SetOut out = SetOut.from(Survey.compute(job).measured().setup("S1"), place(1030, 5040, 11), 1.0002)
                .orElseThrow();
        assertThat(Math.toDegrees(out.turn().getAsDouble())).isCloseTo(53.13010235415598, within(1e-9));
        assertThat(out.circle()).isEqualTo(out.turn());
        assertThat(out.grid()).isCloseTo(50, within(1e-9));
        assertThat(out.ground()).isCloseTo(50 / 1.0002, within(1e-9));
        assertThat(out.rise().getAsDouble()).isCloseTo(-0.6, within(1e-9));
    }

    @Test
    void whatWasFoundSaysHowThePoleHasToMove() {
        SetOut.Move move = SetOut.Move.of(place(1000, 5000, 10), place(1050, 5000, 9.9), place(1050.2, 5000.1, 10));
        assertThat(move.away()).isCloseTo(0.2, within(1e-9));
        assertThat(move.right()).isCloseTo(0.1, within(1e-9));
        assertThat(move.fill().getAsDouble()).isCloseTo(0.1, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(longs = {7, 8, 9})
    void stationAndOffsetLeadBackToThePlace(long seed) {
        Random random = new Random(seed);
        Position from = place(random.nextDouble() * 100, random.nextDouble() * 100, 1);
        Position to = place(200 + random.nextDouble() * 100, random.nextDouble() * 100, 3);
        double station = random.nextDouble() * 50;
        double offset = random.nextGaussian() * 5;
        Position place = SetOut.OnLine.place(from, to, station, offset);
        SetOut.OnLine back = SetOut.OnLine.of(from, to, place);
        assertThat(back.station()).isCloseTo(station, within(1e-9));
        assertThat(back.offset()).isCloseTo(offset, within(1e-9));
        assertThat(back.above().getAsDouble()).isCloseTo(0, within(1e-9));
        // To the right of a line that runs north is east.
        assertThat(SetOut.OnLine.of(place(0, 0, 0), place(10, 0, 0), place(5, 2, 0))
                        .offset())
                .isEqualTo(2);
    }

    // A collimation of 10" is 10" in the circle at the horizon and twice that at 30 degrees of zenith; 10" at 100 m are
    // 4.85 mm.
    @Test
    void aSingleFaceShowsWhatTheLastCollimationCouldDo() {
        Job job =
                Jobs.with(List.of(BACK, reading("B", Role.BACKSIGHT, 1, Face.RIGHT, "180-00-20", "270-00-10", 100.0)));
        SingleFace face =
                SingleFace.last(Survey.compute(job).measured().setups()).orElseThrow();
        assertThat(face.across(100, Math.PI / 2)).isCloseTo(0.004848, within(1e-6));
        assertThat(face.across(100, Math.PI / 6)).isCloseTo(0.009696, within(1e-6));
        assertThat(face.up(100, Math.PI / 2)).isCloseTo(0.002424, within(1e-6));
        // The height is the distance times the cotangent of the zenith angle, whose derivative is 1/sin²: four times as
        // much at 30 degrees.
        assertThat(face.up(100, Math.PI / 6)).isCloseTo(4 * 0.002424, within(4e-6));
    }
}
