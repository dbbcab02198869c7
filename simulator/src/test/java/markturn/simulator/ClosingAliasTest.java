package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import markturn.survey.Survey;
import markturn.survey.finding.figure.OtherNames;
import markturn.survey.job.Adopted;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Network;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import markturn.survey.job.Traverse;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;

/** A link that arrives on known control under another name. Readings of known truth; what closes how is the format's, 13 and 14. */
class ClosingAliasTest {
    private static final String NAIL = "NAIL 9";
    /** By so much the circle turns clockwise before the first foresight, seconds: its angle then reads so much less. */
    private static final double TURNED = 8;

    private static World world() {
        World.TruePlace end = AlderWeirGround.world().at("PILLAR 2");
        return AlderWeirGround.world().with(NAIL, end.northing(), end.easting(), end.elevation());
    }

    private static Job setUp(Job job, String name, String on, String back, String fore, double turned) {
        SimulatedStation station =
                new SimulatedStation(world(), on, 1.6, 0.4, job.earth(), InstrumentErrors.none(), new SeededRandom(1));
        List<Reading> readings = new ArrayList<>();
        sight(station, readings, back, Role.BACKSIGHT);
        station.drift(Math.toRadians(turned / 3600));
        sight(station, readings, fore, Role.FORESIGHT);
        return job.plus(new Setup(
                name,
                on,
                Setup.Method.OCCUPIED,
                "Station 1",
                Optional.of(MeasuredHeight.toAxis(1.6)),
                Optional.of(new Setup.Tilt(0, 0, true)),
                Optional.empty(),
                new Setup.BySights(List.of(back)),
                readings));
    }

    private static void sight(SimulatedStation station, List<Reading> to, String target, Role role) {
        to.add(station.point(target, role, 1, Face.LEFT, "Prism", 1.5));
        to.add(station.point(target, role, 1, Face.RIGHT, "Prism", 1.5));
    }

    /** From pillar 1 by two ponds to the nail, where the last pond orients and pillar 1 is sighted among the others. */
    private static Job link(boolean claimed) {
        Job job = AlderWeir.blank();
        for (String mark : List.of("POND 1", "POND 2", NAIL)) {
            job = job.plus(Mark.named(mark, Mark.Kind.NEW));
        }
        job = setUp(job, "S1", "PILLAR 1", "PILLAR 3", "POND 1", TURNED);
        job = setUp(job, "S2", "POND 1", "PILLAR 1", "POND 2", 0);
        job = setUp(job, "S3", "POND 2", "POND 1", NAIL, 0);
        job = setUp(job, "S4", NAIL, "POND 2", "PILLAR 1", 0);
        return (claimed ? job.withMark(NAIL, m -> m.withSameAs(Optional.of("PILLAR 2"))) : job)
                .with(new Traverse(
                        "Link", List.of("PILLAR 1", "POND 1", "POND 2", NAIL), Traverse.Rule.COMPASS, false));
    }

    private static MeasuredTraverse run(Job job) {
        return Survey.compute(job).measured().traverses().get(0);
    }

    @Test
    void theClaimedNameTakesPartInTheAzimuthAtOnce() {
        Job booked = link(false);
        assertThat(run(booked).northing()).isEmpty();
        assertThat(OtherNames.of(Survey.compute(booked).measured()).get(0).fixed())
                .isEqualTo("PILLAR 2");
        MeasuredTraverse run = run(link(true));
        assertThat(run.angles()).isEqualTo(4);
        assertThat(Math.toDegrees(run.angular().orElseThrow()) * 3600).isCloseTo(-TURNED, within(0.3));
        assertThat(run.predicted().angular95()).isPositive();
    }

    @Test
    void whatWasAdoptedFromARunLeavesTheRunWhatItWas() {
        Job job = link(true);
        MeasuredTraverse before = run(job);
        MeasuredNetwork networkBefore = network(job);
        Job adopting = adopted(job, before);
        MeasuredTraverse after = run(adopting);
        assertThat(after.angular()).isEqualTo(before.angular());
        assertThat(after.linear().orElseThrow()).isCloseTo(before.linear().orElseThrow(), within(1e-6));
        for (int i = 0; i < before.stations().size(); i++) {
            assertThat(after.stations().get(i).distanceTo(before.stations().get(i)))
                    .isCloseTo(0, within(1e-6));
        }
        // The network adjusts the same readings: what they gave does not hold them.
        assertThat(network(adopting).test().redundancy())
                .isEqualTo(networkBefore.test().redundancy());
        // Withdrawn, everything stands as carried.
        assertThat(Survey.compute(adopting.withoutAdopted("Link")).measured().marks())
                .isEqualTo(Survey.compute(job).measured().marks());
    }

    private static Job adopted(Job job, MeasuredTraverse run) {
        Job adopting = job;
        for (int i = 1; i < run.stations().size() - 1; i++) {
            Position at = run.stations().get(i);
            adopting = adopting.plus(new Adopted(
                    run.traverse().route().get(i),
                    new Mark.Coordinates(at.northing(), at.easting(), at.elevation()),
                    Optional.empty(),
                    "Link",
                    Optional.empty(),
                    "reviewer",
                    "closes"));
        }
        return adopting;
    }

    private static MeasuredNetwork network(Job job) {
        return Survey.compute(job.with(new Network(true, false)))
                .measured()
                .network()
                .orElseThrow();
    }
}
