package markturn.web.network;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.DoubleConsumer;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.MarkNoted;
import markturn.simulator.AlderWeir;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.job.Adopted;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The page of the whole job in one adjustment. */
@ExtendWith(House.class)
class NetworkPageTest {
    private static final Mark.Deviations LEVELLED = new Mark.Deviations(0.001, 0.001, 0.001);

    /** Somebody else notes how well a pillar is known. */
    private static void noteMeanwhile(FieldBook fieldBook, String id) {
        Mark observed = AlderWeir.job().mark("PILLAR 1").orElseThrow().withStdDev(Optional.of(LEVELLED));
        fieldBook.add(id, "meanwhile", "wren", new MarkNoted(observed, "levelled anew"));
    }

    private static Page opened(House house, Job job) {
        String id = house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren"));
        Page page = house.signedIn("wren");
        page.navigate("/job/" + id + "/traverse");
        page.getByText("The whole job in one adjustment").click();
        page.waitForURL("**/network");
        return page;
    }

    @Test
    void theDemoIsAdjustedAndItsResidualsAreSorted(House house) {
        Page page = opened(house, AlderWeir.job());
        assertThat(page.locator("main"))
                .containsText(Pattern.compile("variance factor \\d+\\.\\d\\d from \\d+ left over"));
        assertThat(page.locator("main")).containsText("POND 1");
        // Pillar 4 of the demo was knocked: the sights agree with each other and not with it.
        assertThat(page.locator(".verdict")).containsText("not with the control");
        assertThat(page.locator(".verdict")).containsText("to PILLAR 4");
        assertThat(page.locator(".single-faults tbody tr").first()).containsText("control mark of PILLAR 4");
        assertThat(page.locator(".hidden-errors")).containsText("POND 1");
        assertThat(page.locator(".residuals tbody tr").first())
                .containsText(Pattern.compile("PILLAR 4.*look at it", Pattern.DOTALL));
        assertThat(page.locator(".residuals tbody tr").last()).containsText("nothing checks it");
    }

    @Test
    void aGapBeyondChanceIsNotCalledUncontradicted(House house) {
        // The demo's pond closes by 12 mm where chance predicts 8: the drawing and the table must say the same.
        Page page = opened(house, AlderWeir.job());
        page.getByText("Back to the figures").click();
        assertThat(page.locator(".misclosures")).containsText("beyond chance, within its limit");
        assertThat(page.locator("article .figure-drawing:not(.unrolled)")).containsText("outside what chance predicts");
    }

    @Test
    void aJobWithoutSightsSaysThatThereIsNothingToAdjust(House house) {
        assertThat(opened(house, AlderWeir.blank()).locator(".verdict")).containsText("there is nothing to adjust");
    }

    @Test
    void controlIsSwitchedTriedAndBookedWithAReason(House house) {
        Page page = opened(house, AlderWeir.job());
        String held = page.locator(".sheet").first().textContent();
        page.getByLabel("PILLAR 4 is observed").check();
        page.getByLabel("One sigma of an observed one").fill("0.050");
        page.getByText("Adjust with this").click();
        page.waitForURL("**/network?**");
        // Freed, the knocked pillar no longer strains the figure.
        assertThat(page.locator(".verdict")).not().containsText("not with the control");
        Assertions.assertThat(page.locator(".sheet").first().textContent()).isNotEqualTo(held);
        assertThat(page.locator("article")).containsText("nothing is adopted from this");
        page.getByText("Book it").click();
        assertThat(page.locator(".message")).containsText("needs a reason");
        assertThat(page.getByLabel("PILLAR 4 is observed")).isChecked();
        page.locator("input[name=reason]").last().fill("knocked by the digger");
        page.getByText("Book it").click();
        page.waitForURL(Pattern.compile(".*/network$"));
        assertThat(page.getByLabel("PILLAR 4 is observed")).isChecked();
        assertThat(page.locator(".verdict")).not().containsText("not with the control");
        page.getByLabel("One sigma of an observed one").fill("five");
        page.getByText("Adjust with this").click();
        assertThat(page.locator(".control-switch .fault")).containsText("\"five\" is no number");
    }

    @Test
    void aReviewerAdoptsTheNetworkAndASurveyorCannot(House house) {
        Job job = AlderWeir.job();
        String id = house.application().getBean(FieldBook.class).open(job, "wren", Set.of("wren", "ida"));
        Page surveyor = house.signedIn("wren");
        surveyor.navigate("/job/" + id + "/network");
        assertThat(surveyor.locator("article")).containsText("Whoever reviews this job adopts");
        assertThat(surveyor.locator("article input[name=reason]")).hasCount(0);
        Assertions.assertThat(House.posted(surveyor, "/job/" + id + "/network/adopt"))
                .isEqualTo(403);
        Page page = house.signedIn("ida");
        page.navigate("/job/" + id + "/network");
        page.getByText("Show what moves").click();
        assertThat(page.locator(".message")).containsText(Pattern.compile("needs a reason|A stop is open"));
    }

    @Test
    void aLongOneShowsHowFarItIsAndCanBeCancelled(House house) {
        NetworkRuns runs = house.application().getBean(NetworkRuns.class);
        runs.setPatience(Duration.ZERO);
        try {
            Page page = opened(house, AlderWeir.job());
            // It was not there at once: the page that waits shows it as soon as it is.
            assertThat(page.locator(".verdict")).containsText("not with the control");
        } finally {
            runs.setPatience(Duration.ofSeconds(2));
        }
        NetworkRuns.Asked asked = new NetworkRuns.Asked("none", 1, "");
        runs.setPatience(Duration.ZERO);
        try {
            runs.soon(asked, NetworkPageTest::adjusted);
            runs.cancel(asked);
            Assertions.assertThat(runs.known(asked)).isEmpty();
            // Asked again it begins again.
            runs.setPatience(Duration.ofSeconds(10));
            Assertions.assertThat(runs.soon(asked, NetworkPageTest::adjusted)).isPresent();
        } finally {
            runs.setPatience(Duration.ofSeconds(2));
        }
    }

    private static NetworkRuns.Done adjusted(DoubleConsumer reached) {
        SurveyResult result = Survey.compute(AlderWeir.job());
        return new NetworkRuns.Done(result, Survey.network(result, reached));
    }

    /** An answer to every open stop of a job. */
    private static List<Decision> answers(Job job) {
        List<Decision> answers = new ArrayList<>();
        for (Finding stop : Survey.compute(job).findings().stream()
                .filter(Finding::isOpenStop)
                .toList()) {
            Map<String, Object> on =
                    new HashMap<>(Map.of("code", stop.code().key(), "setup", stop.setup(), "target", stop.target()));
            stop.value().ifPresent(v -> on.put("value", v / stop.measure().unit(job.units())));
            answers.add(new Decision(
                    Optional.empty(), "Ida Marsh", Decision.ANSWER, on, "seen", Optional.empty(), Optional.empty()));
        }
        return answers;
    }

    /** The demo with every open stop answered. */
    private static Job answered() {
        Job job = AlderWeir.job();
        for (Decision answer : answers(job)) {
            job = job.plus(answer);
        }
        return job;
    }

    @Test
    void aReviewerAdoptsWhatTheWholeJobGives(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = fieldBook.open(answered(), "wren", Set.of("wren", "ida"));
        double before = fieldBook
                .book(id, "ida")
                .result()
                .measured()
                .mark("POND 1")
                .orElseThrow()
                .position()
                .orElseThrow()
                .northing();
        Page page = house.signedIn("ida");
        page.navigate("/job/" + id + "/network");
        page.locator("form[action$='/network/adopt'] input[name=reason]").fill("the whole job agrees but for PILLAR 4");
        page.getByText("Show what moves").press("Enter");
        assertThat(page.locator("main")).containsText("POND 1");
        page.getByText("Adopt them").press("Enter");
        page.waitForURL("**/point");
        BookedJob after = fieldBook.book(id, "ida");
        Adopted pond = after.job().adopted().stream()
                .filter(a -> a.mark().equals("POND 1"))
                .findFirst()
                .orElseThrow();
        Assertions.assertThat(pond.by()).isEqualTo("Ida Marsh");
        Assertions.assertThat(pond.reason()).isEqualTo("the whole job agrees but for PILLAR 4");
        double now = after.result()
                .measured()
                .mark("POND 1")
                .orElseThrow()
                .position()
                .orElseThrow()
                .northing();
        Assertions.assertThat(now).isEqualTo(pond.position().northing()).isNotEqualTo(before);
        // What was located from there moved with it.
        Assertions.assertThat(
                        after.result().measured().mark("2001").orElseThrow().position())
                .isNotEqualTo(Survey.compute(answered())
                        .measured()
                        .mark("2001")
                        .orElseThrow()
                        .position());
        page.navigate("/job/" + id + "/point/POND 1");
        assertThat(page.locator("main")).containsText("the whole job agrees but for PILLAR 4");
    }

    @Test
    void whatWasShownIsAdoptedAndNotWhatCameMeanwhile(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = fieldBook.open(answered(), "wren", Set.of("wren", "ida"));
        Page page = house.signedIn("ida");
        page.navigate("/job/" + id + "/network");
        page.locator("form[action$='/network/adopt'] input[name=reason]").fill("it agrees");
        page.getByText("Show what moves").press("Enter");
        noteMeanwhile(fieldBook, id);
        for (Decision answer : answers(fieldBook.book(id, "wren").job())) {
            fieldBook.add(id, UUID.randomUUID().toString(), "ida", new DecisionMade(answer));
        }
        page.getByText("Adopt them").press("Enter");
        assertThat(page.locator(".message")).containsText("Something was booked meanwhile");
        Assertions.assertThat(fieldBook.book(id, "ida").job().adopted()).isEmpty();
        page.getByText("Adopt them").press("Enter");
        page.waitForURL("**/point");
        Assertions.assertThat(fieldBook.book(id, "ida").job().adopted()).isNotEmpty();
    }

    private static Map<String, Optional<Mark.Deviations>> known(House house, String id) {
        return house.application().getBean(FieldBook.class).book(id, "wren").job().marks().stream()
                .filter(mark -> mark.given().isPresent())
                .collect(Collectors.toMap(Mark::name, Mark::stdDev));
    }

    @Test
    void controlThatIsNotTouchedKeepsItsPrecisionAndWhatIsTypedIsBookedUnrounded(House house) {
        Mark.Deviations own = new Mark.Deviations(0.0024, 0.0026, 0.007);
        Job job = AlderWeir.job().withMark("PILLAR 1", mark -> mark.withStdDev(Optional.of(own)));
        Page page = opened(house, job);
        String id = page.url().replaceAll(".*/job/([^/]+)/.*", "$1");
        page.getByLabel("PILLAR 4 is observed").check();
        page.getByText("Adjust with this").click();
        page.locator("input[name=reason]").last().fill("knocked by the digger");
        page.getByText("Book it").click();
        page.waitForURL(Pattern.compile(".*/network$"));
        Assertions.assertThat(known(house, id))
                .containsEntry("PILLAR 1", Optional.of(own))
                .containsEntry("PILLAR 4", Optional.of(new Mark.Deviations(0.0024, 0.0024, 0.0024)));
        page.getByLabel("One sigma of an observed one").fill("0.0015");
        page.getByText("Adjust with this").click();
        assertThat(page.getByLabel("One sigma of an observed one")).hasValue("0.0015");
        page.locator("input[name=reason]").last().fill("as the office says");
        page.getByText("Book it").click();
        page.waitForURL(Pattern.compile(".*/network$"));
        Assertions.assertThat(known(house, id))
                .containsEntry("PILLAR 1", Optional.of(new Mark.Deviations(0.0015, 0.0015, 0.0015)));
        // What cannot be read switches nothing, and is not lost.
        page.getByLabel("PILLAR 4 is observed").uncheck();
        page.getByLabel("One sigma of an observed one").fill("five");
        page.getByText("Adjust with this").click();
        assertThat(page.getByLabel("One sigma of an observed one")).hasValue("five");
        assertThat(page.getByLabel("PILLAR 4 is observed")).not().isChecked();
        assertThat(page.getByText("Book it")).hasCount(0);
    }

    /** What others note of another mark meanwhile is not taken back by a page from before. */
    @Test
    void controlThatOthersNotedMeanwhileIsShownFirst(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        Page page = opened(house, AlderWeir.job());
        String id = page.url().replaceAll(".*/job/([^/]+)/.*", "$1");
        page.getByLabel("PILLAR 4 is observed").check();
        page.getByText("Adjust with this").click();
        noteMeanwhile(fieldBook, id);
        page.locator("input[name=reason]").last().fill("knocked by the digger");
        page.getByText("Book it").click();
        assertThat(page.locator(".message")).containsText("noted anew while this page was open");
        Assertions.assertThat(known(house, id))
                .containsEntry("PILLAR 1", Optional.of(LEVELLED))
                .containsEntry("PILLAR 4", Optional.empty());
        assertThat(page.locator("input[name=reason]").last()).hasValue("knocked by the digger");
    }

    /** Where more was booked the network is adjusted anew, which may take its time: whoever asked to adopt waits with their reason. */
    @Test
    void whoAdoptsWhileItIsAdjustedAnewWaitsWithTheReason(House house) {
        FieldBook fieldBook = house.application().getBean(FieldBook.class);
        String id = fieldBook.open(answered(), "wren", Set.of("wren", "ida"));
        Page page = house.signedIn("ida");
        page.navigate("/job/" + id + "/network");
        page.locator("form[action$='/network/adopt'] input[name=reason]").fill("it agrees");
        noteMeanwhile(fieldBook, id);
        NetworkRuns runs = house.application().getBean(NetworkRuns.class);
        runs.setPatience(Duration.ZERO);
        try {
            page.getByText("Show what moves").press("Enter");
            assertThat(page.locator("form[action$='/network/adopt'] input[name=reason]"))
                    .hasValue("it agrees");
        } finally {
            runs.setPatience(Duration.ofSeconds(2));
        }
    }

    @Test
    void ofALongListTheFirstRowsAreShownAndTheOthersCounted() {
        List<Integer> all = IntStream.range(0, 1234).boxed().toList();
        List<Integer> asked = new ArrayList<>();
        Listed<String> first = Listed.of(all, false, each -> {
            asked.add(each);
            return "row " + each;
        });
        Assertions.assertThat(first.rows()).hasSize(200).startsWith("row 0");
        Assertions.assertThat(first.left()).isEqualTo(1034);
        Assertions.assertThat(asked).hasSize(200);
        Assertions.assertThat(Listed.of(all, true, each -> each).rows()).isEqualTo(all);
        Assertions.assertThat(Listed.of(all.subList(0, 3), false, each -> each).left())
                .isZero();
    }
}
