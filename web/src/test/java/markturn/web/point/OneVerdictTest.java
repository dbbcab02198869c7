package markturn.web.point;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Locale;
import markturn.fieldbook.BookedJob;
import markturn.survey.finding.standing.CheckTable;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The same comparison says the same wherever it is shown: checks, review, list and page of the mark, glance, report. */
@ExtendWith(House.class)
class OneVerdictTest {
    private static String rows(Page page, String first, String second) {
        StringBuilder found = new StringBuilder();
        for (Locator row : page.locator("main tr").all()) {
            String text = row.textContent().replaceAll("\\s+", " ");
            if (text.contains(first) && text.contains(second)) {
                found.append(text).append('\n');
            }
        }
        return found.toString().toLowerCase(Locale.ROOT);
    }

    @Test
    void everywhere(House house) {
        Page page = house.signedIn("wren");
        String job = house.demo(page);
        BookedJob book = house.application().getBean(FieldBook.class).book(job.substring("/job/".length()), "wren");
        List<CheckTable.Row> checks = CheckTable.of(
                book.job(), book.result().measured(), book.result().judgements());
        // The demo has comparisons of every kind of verdict.
        assertThat(checks.stream().map(CheckTable.Row::words).distinct())
                .contains("within chance", "beyond chance, within its limit", "over its limit");
        String report = page.request()
                .get(job + "/deliver/report")
                .text()
                .replaceAll("<[^>]*>", " ")
                .replaceAll("\\s+", " ");
        for (CheckTable.Row check : checks) {
            String mark = check.check().mark();
            String from = check.check().from();
            String said = check.words();
            page.navigate(job + "/point/checks");
            assertThat(rows(page, mark, from))
                    .as("checks of %s from %s", mark, from)
                    .contains(said);
            page.navigate(job + "/point/" + mark);
            assertThat(rows(page, from, "")).as("page of %s", mark).contains(said);
            page.navigate(job + "/point?find=" + mark);
            assertThat(rows(page, mark, from + ":")).as("list, %s", mark).contains(said);
            assertThat(report).as("report, %s from %s", mark, from).contains(said);
            if (book.job().setup(from).isPresent() && check.verdict().isPresent()) {
                page.navigate(job + "/review/" + from);
                assertThat(page.locator("main")
                                .textContent()
                                .toLowerCase(Locale.ROOT)
                                .replaceAll("\\s+", " "))
                        .as("review of %s", from)
                        .contains(said);
            }
        }
        page.navigate(job + "/review/glance");
        for (CheckTable.Row check : checks) {
            String glance = rows(
                    page, check.check().mark(), "seen from " + check.check().from() + " too");
            assertThat(glance.isEmpty() || glance.contains(check.words()))
                    .as("glance, %s: %s", check.check().mark(), glance)
                    .isTrue();
        }
    }
}
