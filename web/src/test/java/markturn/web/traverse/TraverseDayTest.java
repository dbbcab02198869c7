package markturn.web.traverse;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import markturn.fieldbook.LinesStruck;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.simulator.AlderWeir;
import markturn.simulator.AlderWeirGround;
import markturn.simulator.InstrumentErrors;
import markturn.simulator.SeededRandom;
import markturn.simulator.SimulatedStation;
import markturn.survey.angle.AngleUnit;
import markturn.survey.angle.Angles;
import markturn.survey.job.Circle;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Reading.Role;
import markturn.survey.job.Setup;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A traverse at the simulated station, from the first setup to adopted coordinates. */
@ExtendWith(House.class)
class TraverseDayTest {
    private static void target(Page page, String field, String name, String height) {
        page.locator("[name='" + field + "']").fill(name);
        page.locator("[name='" + field + "-reflector']").selectOption("Prism");
        page.locator("[name='" + field + "-height']").fill(height);
    }

    private static void turn(Page page, int readings) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin the setup"))
                .press("Enter");
        page.waitForURL("**/turning/**");
        page.locator("#take-all").click();
        assertThat(page.locator("tr.ink")).hasCount(readings);
    }

    @Test
    void aLinkIsTurnedAndCloses(House house) throws FaultyFile {
        Page page = house.signedIn("wren");
        page.navigate("/job");
        page.getByText("Open a practice job").click();
        page.waitForURL("**/setup");
        String job = page.url().replaceAll("/setup$", "").replaceAll("^https?://[^/]+", "");
        page.locator("#station").selectOption("PILLAR 1");
        page.locator("#height").fill("1.602");
        target(page, "back-0", "PILLAR 3", "1.510");
        target(page, "fore-0", "POND 1", "1.480");
        turn(page, 8);
        page.getByText("Move to POND 1").click();
        page.locator("#height").fill("1.571");
        page.locator("[name='back-0-height']").fill("1.530");
        target(page, "fore-0", "POND 2", "1.462");
        turn(page, 8);
        page.getByText("Move to POND 2").click();
        page.locator("#height").fill("1.618");
        page.locator("[name='back-0-height']").fill("1.455");
        target(page, "fore-0", "PILLAR 2", "1.500");
        turn(page, 8);
        page.getByText("Move to PILLAR 2").click();
        page.locator("#height").fill("1.590");
        // At the end the azimuth closes on known marks: pillar 1 orients, pond 2 is sighted back.
        target(page, "back-0", "PILLAR 1", "1.530");
        target(page, "fore-0", "POND 2", "1.500");
        turn(page, 8);
        page.navigate(job + "/traverse");
        assertThat(page.locator("#route")).hasValue("PILLAR 1, POND 1, POND 2, PILLAR 2");
        // The route is edited on the plan: the end goes, and comes back, by hand and by key.
        page.locator("[data-mark='PILLAR 2'] .touch").click();
        assertThat(page.locator("#route")).hasValue("PILLAR 1, POND 1, POND 2");
        page.locator("[data-mark='PILLAR 2']").press("Enter");
        assertThat(page.locator("#route")).hasValue("PILLAR 1, POND 1, POND 2, PILLAR 2");
        assertThat(page.locator("[data-mark='POND 2']")).hasAttribute("aria-pressed", "true");
        page.getByText("Take this route").click();
        assertThat(page.locator("article .verdict"))
                .containsText(Pattern.compile("Closes by \\d+(\\.\\d)? mm in 481 m"));
        assertThat(page.locator(".misclosures")).containsText("angles");
        assertThat(page.locator(".misclosures .out")).hasCount(0);
        assertThat(page.locator("article")).containsText("The choice of rule changes nothing above");
        // The route unrolled: two angles took their share, every leg was measured both ways but the last from its end.
        assertThat(page.locator(".unrolled .station")).hasCount(4);
        assertThat(page.locator(".unrolled > g:not(.out) .stroke").first()).isAttached();
        assertThat(page.locator(".traverse-body .remark").last()).containsText("an angle's share of the limit");
        // In the order of the route.
        assertThat(page.locator(".rules tbody tr td:first-child")).hasText(new String[] {"POND 1", "POND 2"});
        // A reviewer adopts; a surveyor cannot. The job is handed over as a file.
        byte[] file = page.request().get(job + "/deliver/job-file").body();
        Assertions.assertThat(JobFile.read(file).traverses()).hasSize(1);
        assertThat(page.locator("article input[name=reason]")).hasCount(0);
        assertThat(page.locator("article")).containsText("Whoever reviews this job adopts");
        Assertions.assertThat(House.posted(page, job + "/traverse/adopt")).isEqualTo(403);
        String handedOver =
                house.application().getBean(FieldBook.class).open(JobFile.read(file), "wren", Set.of("wren", "ida"));
        Page reviewer = house.signedIn("ida");
        reviewer.navigate("/job/" + handedOver + "/traverse");
        reviewer.locator("article input[name=reason]").fill("closes within its limit");
        reviewer.getByText("Show what moves").click();
        reviewer.getByText("Adopt them").click();
        reviewer.waitForURL("**/point");
        assertThat(reviewer.locator("main")).containsText("POND 2");
        // Adopted coordinates keep their deviations and say where they come from.
        assertThat(reviewer.locator("tr[data-mark='POND 2']")).containsText("adopted");
        assertThat(reviewer.locator("tr[data-mark='POND 2'] td.triple").first())
                .not()
                .containsText("held");
        // The run stands as it stood, beside what was adopted from it; the adoption is withdrawn by decision.
        reviewer.navigate("/job/" + handedOver + "/traverse");
        assertThat(reviewer.locator(".adoption")).containsText("It stood then: Closes by");
        Assertions.assertThat(
                        reviewer.locator(".adoption tbody tr td:nth-child(n+5)").allInnerTexts())
                .allSatisfy(
                        now -> Assertions.assertThat(Double.parseDouble(now)).isZero());
        page.navigate("/job/" + handedOver + "/traverse");
        assertThat(page.locator(".adoption input[name=reason]")).hasCount(0);
        Assertions.assertThat(House.posted(page, "/job/" + handedOver + "/point/withdraw"))
                .isEqualTo(403);
        // Where something else stands adopted meanwhile than the page showed, it is said and nothing is withdrawn.
        withdraw(reviewer, "not what stands");
        assertThat(reviewer.locator(".message")).containsText("is not what this page showed: nothing was withdrawn");
        assertThat(reviewer.locator(".adoption")).hasCount(1);
        withdraw(reviewer, "");
        assertThat(reviewer.locator(".adoption")).hasCount(0);
        Job after = house.application()
                .getBean(FieldBook.class)
                .book(handedOver, "ida")
                .job();
        Assertions.assertThat(after.adopted()).isEmpty();
        Assertions.assertThat(after.decisions())
                .extracting(d -> d.what())
                .containsSubsequence("adopt", "withdraw-adoption");
    }

    /** One target of a setup that the station turns without error, on both faces in two sets. */
    private static void sight(SimulatedStation station, List<Reading> to, String target, Role role) {
        for (int set = 1; set <= 2; set++) {
            to.add(station.point(target, role, set, Face.LEFT, "Prism", 1.5));
            to.add(station.point(target, role, set, Face.RIGHT, "Prism", 1.5));
        }
    }

    private static Job setUp(Job job, String name, String on, String back, String fore, Role role) {
        SimulatedStation station = new SimulatedStation(
                AlderWeirGround.world(), on, 1.6, 0.4, job.earth(), InstrumentErrors.none(), new SeededRandom(1));
        List<Reading> readings = new ArrayList<>();
        sight(station, readings, back, Role.BACKSIGHT);
        sight(station, readings, fore, role);
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

    @Test
    void aReviewerAdoptsWithAReasonAndTheMarkKeepsItsHistory(House house) {
        Job job = AlderWeir.blank().plus(Mark.named("POND 1", Mark.Kind.NEW)).plus(Mark.named("POND 2", Mark.Kind.NEW));
        job = setUp(job, "S1", "PILLAR 1", "PILLAR 3", "POND 1", Role.FORESIGHT);
        job = setUp(job, "S2", "POND 1", "PILLAR 1", "POND 2", Role.FORESIGHT);
        job = setUp(job, "S3", "POND 2", "POND 1", "PILLAR 2", Role.CHECK);
        job = setUp(job, "S4", "PILLAR 2", "PILLAR 1", "POND 2", Role.CHECK);
        String id = house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren", "ida"));
        Page page = house.signedIn("ida");
        page.navigate("/job/" + id + "/traverse");
        page.getByText("Take this route").click();
        assertThat(page.locator("article .verdict")).containsText("Closes by 0.");
        page.getByText("Show what moves").click();
        assertThat(page.locator(".message")).containsText("Adopting needs a reason");
        page.locator("article input[name=reason]").fill("closes well within its limit");
        page.getByText("Show what moves").click();
        assertThat(page.locator(".moved")).containsText("Adopting Traverse 1 would move");
        page.getByText("Adopt them").click();
        page.waitForURL("**/point");
        page.navigate("/job/" + id + "/point/POND 1");
        assertThat(page.locator("main")).containsText("Adopted, the last one in force");
        assertThat(page.locator("main")).containsText("closes well within its limit");
        assertThat(page.locator("main")).containsText("Ida Marsh");
    }

    /** The foresight of a setup booked one degree too large, on both faces and in both sets alike. */
    private static Setup oneDegreeOff(Setup of, String target) {
        return of.withReadings(of.readings().stream()
                .map(r -> r.target().equals(target)
                        ? r.withCircle(new Circle(
                                Angles.onCircle(r.circle().radians() + Math.toRadians(1)),
                                AngleUnit.DMS.write(Angles.onCircle(r.circle().radians() + Math.toRadians(1)), 1)))
                        : r)
                .toList());
    }

    @Test
    void aBustOfOneDegreeIsLocatedAndDrawn(House house) {
        Job job = AlderWeir.blank().plus(Mark.named("POND 1", Mark.Kind.NEW)).plus(Mark.named("POND 2", Mark.Kind.NEW));
        job = setUp(job, "S1", "PILLAR 1", "PILLAR 3", "POND 1", Role.FORESIGHT);
        job = setUp(job, "S2", "POND 1", "PILLAR 1", "POND 2", Role.FORESIGHT);
        job = setUp(job, "S3", "POND 2", "POND 1", "PILLAR 2", Role.CHECK);
        job = setUp(job, "S4", "PILLAR 2", "PILLAR 1", "POND 2", Role.CHECK);
        job = job.withSetup("S2", s -> oneDegreeOff(s, "POND 2"));
        String id = house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/traverse");
        page.getByText("Take this route").click();
        assertThat(page.locator(".misclosures .out").first()).isVisible();
        assertThat(page.locator(".suspects tbody").first()).containsText("the angle at POND 1 (S2)");
        assertThat(page.locator(".suspects tbody").first()).containsText(Pattern.compile("1°00'0\\d"));
        assertThat(page.locator(".suspects tbody").first()).containsText("Close to a round number");
        assertThat(page.locator(".doubt circle").first()).isVisible();
        assertThat(page.locator(".elsewhere")).containsText("PILLAR 2");
        page.navigate("/job/" + id + "/review");
        assertThat(page.locator("main")).containsText("the angle at POND 1");
    }

    @Test
    void aLastSightThatWentToAnotherMarkIsNotedSoInThePlaceWhereItIsSeen(House house) {
        Job job = AlderWeir.blank().plus(Mark.named("POND 1", Mark.Kind.NEW)).plus(Mark.named("POND 2", Mark.Kind.NEW));
        job = setUp(job, "S1", "PILLAR 1", "PILLAR 3", "POND 1", Role.FORESIGHT);
        job = setUp(job, "S2", "POND 1", "PILLAR 1", "POND 2", Role.FORESIGHT);
        job = setUp(job, "S3", "POND 2", "POND 1", "PILLAR 2", Role.CHECK);
        // The sight went to PILLAR 2; PILLAR 4 was written.
        Setup last = job.setups().get(2);
        job = job.withSetup(
                "S3",
                s -> last.withReadings(last.readings().stream()
                        .map(r -> r.target().equals("PILLAR 2") ? r.withTarget("PILLAR 4") : r)
                        .toList()));
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = fieldBook.open(job, "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/traverse");
        page.locator("#route").fill("PILLAR 1, POND 1, POND 2, PILLAR 4");
        page.getByText("Take this route").click();
        assertThat(page.locator(".misclosures .out").first()).isVisible();
        assertThat(page.locator(".end-elsewhere")).containsText("lies 0.0 mm from PILLAR 2, within the limit");
        assertThat(page.locator(".suspects")).containsText("None of these alone explains it");
        // Every known mark but the one stood on, the nearest first.
        assertThat(page.locator(".elsewhere tr").first()).containsText("PILLAR 2");
        assertThat(page.locator(".elsewhere tr")
                        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("PILLAR 4")))
                .containsText("as booked");
        page.locator(".end-elsewhere").getByText("End on PILLAR 2").click();
        assertThat(page.locator(".ending .verdict")).containsText("Closes by 0.");
        page.getByText("The sight went to PILLAR 2").click();
        assertThat(page.locator(".message")).containsText("needs a reason");
        Assertions.assertThat(fieldBook
                        .book(id, "wren")
                        .job()
                        .setup("S3")
                        .orElseThrow()
                        .readings())
                .anyMatch(r -> r.target().equals("PILLAR 4"));
        // A line that somebody strikes out meanwhile is none of those that were shown.
        String line = fieldBook.book(id, "wren").keyOf("S3", last.readings().size() - 1);
        fieldBook.add(id, "struck-elsewhere", "wren", new LinesStruck(List.of(line), "wrong height", Optional.empty()));
        page.locator(".ending [name=reason]").fill("the plate at the foot says 2");
        page.getByText("The sight went to PILLAR 2").click();
        assertThat(page.locator(".message"))
                .containsText("changed while this page was open. Nothing of yours is booked");
        assertThat(page.locator(".ending [name=reason]")).hasValue("the plate at the foot says 2");
        Assertions.assertThat(
                        fieldBook.book(id, "wren").job().traverses().get(0).route())
                .last()
                .isEqualTo("PILLAR 4");
        // Another figure would have a name of its own.
        assertThat(page.locator("#name")).hasValue("Traverse 2");
        page.getByText("The sight went to PILLAR 2").click();
        assertThat(page.locator("article .verdict")).containsText("Closes by 0.");
        assertThat(page.locator("article .head .remark")).containsText("POND 2 – PILLAR 2");
        Assertions.assertThat(fieldBook.book(id, "wren").job().decisions())
                .anyMatch(d -> d.reason().equals("the plate at the foot says 2")
                        && d.before().orElseThrow().equals("PILLAR 4"));
    }

    /** Common practice, no source: what somebody else decided is not written over unseen. */
    @Test
    void aRouteThatSomebodyElseTookMeanwhileIsToldFirst(House house) {
        Job job = AlderWeir.blank().plus(Mark.named("POND 1", Mark.Kind.NEW)).plus(Mark.named("POND 2", Mark.Kind.NEW));
        job = setUp(job, "S1", "PILLAR 1", "PILLAR 3", "POND 1", Role.FORESIGHT);
        job = setUp(job, "S2", "POND 1", "PILLAR 1", "POND 2", Role.FORESIGHT);
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = fieldBook.open(job, "wren", Set.of("wren", "sol"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/traverse");
        Page other = house.signedIn("sol");
        other.navigate("/job/" + id + "/traverse");
        other.locator("#route").fill("PILLAR 1, POND 1");
        other.getByText("Take this route").click();
        assertThat(other.locator("article .head .remark")).containsText("PILLAR 1 – POND 1;");
        page.locator("#route").fill("PILLAR 1, POND 1, POND 2");
        page.getByText("Take this route").click();
        assertThat(page.locator(".fault"))
                .containsText("Sol Tarn took a route under this name while this page was open");
        assertThat(page.locator("article .head .remark")).containsText("PILLAR 1 – POND 1;");
        assertThat(page.locator("#route")).hasValue("PILLAR 1, POND 1, POND 2");
        page.getByText("Take this route").click();
        assertThat(page.locator("article .head .remark")).containsText("PILLAR 1 – POND 1 – POND 2;");
    }

    @Test
    void aClosingSightBookedUnderAnotherNameIsTheSameMarkOnlyWhenSomebodySaysSo(House house) {
        Job job = AlderWeir.blank()
                .plus(Mark.named("POND 1", Mark.Kind.NEW))
                .plus(Mark.named("POND 2", Mark.Kind.NEW))
                .plus(Mark.named("END", Mark.Kind.NEW));
        job = setUp(job, "S1", "PILLAR 1", "PILLAR 3", "POND 1", Role.FORESIGHT);
        job = setUp(job, "S2", "POND 1", "PILLAR 1", "POND 2", Role.FORESIGHT);
        job = setUp(job, "S3", "POND 2", "POND 1", "PILLAR 2", Role.FORESIGHT);
        Setup last = job.setups().get(2);
        job = job.withSetup(
                "S3",
                s -> last.withReadings(last.readings().stream()
                        .map(r -> r.target().equals("PILLAR 2") ? r.withTarget("END") : r)
                        .toList()));
        String id = house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/traverse");
        assertThat(page.locator("#route")).hasValue("PILLAR 1, POND 1, POND 2");
        assertThat(page.locator(".other-names"))
                .containsText(Pattern.compile("END, carried from S3, lies 0(\\.\\d)? mm from PILLAR 2"));
        page.getByText("END is PILLAR 2").click();
        assertThat(page.locator("#route")).hasValue("PILLAR 1, POND 1, POND 2, PILLAR 2");
        assertThat(page.locator(".other-names")).containsText("END is another name of PILLAR 2");
        page.getByText("Take this route").click();
        assertThat(page.locator("article .verdict")).containsText("Closes by 0.");
        page.getByText("They are two marks").click();
        assertThat(page.locator(".other-names")).containsText("END, carried from S3");
        assertThat(page.locator("article .verdict")).containsText("Cannot be carried");
    }

    /** @param shown what the page says it showed; empty: what it did show */
    private static void withdraw(Page reviewer, String shown) {
        if (!shown.isEmpty()) {
            reviewer.locator(".adoption input[name=shown]")
                    .evaluate("(field, shown) => { field.value = shown; }", shown);
        }
        reviewer.locator(".adoption input[name=reason]").fill("a pillar was moved");
        reviewer.getByText("Withdraw", new Page.GetByTextOptions().setExact(true))
                .click();
    }
}
