package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.net.URI;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.http.HttpMethod;
import org.springframework.util.AntPathMatcher;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every address of the application against everybody: who is not named is refused, and an address without a row fails here. */
@ExtendWith(House.class)
class RightsTest {
    /** An address as the application maps it. */
    private record Address(HttpMethod method, String pattern) {
        Rights.Who who() {
            AntPathMatcher matcher = new AntPathMatcher();
            return Rights.TABLE.stream()
                    .filter(row -> row.method().equals(method) && matcher.match(row.pattern(), path()))
                    .findFirst()
                    .map(Rights.Row::who)
                    .orElseThrow(() -> new AssertionError("no row for " + method + " " + pattern));
        }

        /** Of a job that is nobody's: whoever is let in finds nothing there. */
        String path() {
            return pattern.replace("{place}", "0").replaceAll("\\{[^}]*}", "11111111-1111-1111-1111-111111111111");
        }

        /** One for each of the rooms it is mapped for, and where it is posted to for each act that a review knows. */
        Stream<Address> each() {
            Matcher rooms = Pattern.compile("\\{room:([^}]*)}").matcher(pattern);
            if (!rooms.find()) {
                return Stream.of(this);
            }
            return Stream.of(rooms.group(1).split("\\|"))
                    .map(room -> pattern.replace(rooms.group(), room))
                    .flatMap(path -> path.contains("/review/") && path.endsWith("{act}")
                            ? acts(path).stream().map(act -> path.replace("{act}", act))
                            : Stream.of(path))
                    .map(path -> new Address(method, path));
        }

        private static List<String> acts(String path) {
            return path.contains("{setup}") ? List.of("accept", "reopen", "answer", "leave-out") : List.of("answer");
        }
    }

    private static List<Address> addresses(House house) {
        List<Address> all = new ArrayList<>();
        house.application()
                .getBean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
                .getHandlerMethods()
                .forEach((mapping, method) -> {
                    if (!method.getBeanType().getName().startsWith("markturn")) {
                        return;
                    }
                    for (String pattern : new TreeSet<>(mapping.getPatternValues())) {
                        mapping.getMethodsCondition()
                                .getMethods()
                                .forEach(m -> new Address(HttpMethod.valueOf(m.name()), pattern)
                                        .each()
                                        .forEach(all::add));
                    }
                });
        return all;
    }

    private static boolean isLetIn(Rights.Who who, String name) {
        return switch (who) {
            case ANYBODY -> true;
            case SIGNED_IN -> !name.isEmpty();
            case SURVEYOR -> name.equals("wren") || name.equals("sol");
            case REVIEWER -> name.equals("ida") || name.equals("sol");
            case EITHER -> List.of("wren", "ida", "sol").contains(name);
            case ADMINISTRATOR -> name.equals("tam");
        };
    }

    @Test
    void everyAddressLetsInWhomItsRowNames(House house) {
        List<Address> addresses = addresses(house);
        assertThat(addresses).hasSizeGreaterThan(80);
        Map<String, String> wrong = new LinkedHashMap<>();
        for (String name : List.of("", "rue", "wren", "ida", "sol", "tam")) {
            Page page = name.isEmpty() ? house.visitor() : house.signedIn(name);
            if (name.isEmpty()) {
                page.navigate("/sign-in");
            }
            String token = page.locator("meta[name=csrf]").getAttribute("content");
            String header = page.locator("meta[name=csrf-header]").getAttribute("content");
            for (Address address : addresses) {
                APIResponse answer = page.request()
                        .fetch(
                                address.path(),
                                RequestOptions.create()
                                        .setMethod(address.method().name())
                                        .setHeader(header, token)
                                        .setMaxRedirects(0));
                boolean refused = answer.status() == 403
                        || answer.status() == 401
                        || answer.status() == 302
                                && answer.headers().get("location").contains("/sign-in");
                if (refused == isLetIn(address.who(), name) || answer.status() >= 500) {
                    wrong.put((name.isEmpty() ? "nobody" : name) + " " + address, "" + answer.status());
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    /** Only a page that is shown begins a session: a cookie that comes late takes nobody's sign-in away. Source: common practice, no source. */
    @Test
    void aScriptThatIsNotSignedInIsToldSoAndGetsNoSession(House house) {
        APIRequestContext nobody = house.visitor().request();
        RequestOptions alone = RequestOptions.create().setMaxRedirects(0);
        for (APIResponse answer : List.of(
                nobody.get("/job", alone),
                nobody.get("/job/11111111-1111-1111-1111-111111111111/pocket/book", alone),
                nobody.post("/job/11111111-1111-1111-1111-111111111111/pocket/entries", alone))) {
            assertThat(answer.status()).as(answer.url()).isEqualTo(401);
            assertThat(answer.headers()).as(answer.url()).doesNotContainKey("set-cookie");
        }
        APIResponse page = nobody.get("/job", alone.setHeader("Accept", "text/html"));
        assertThat(page.status()).isEqualTo(302);
        assertThat(page.headers().get("location")).endsWith("/sign-in");
    }

    /** Whoever is no member of a job, never was or no longer is, finds nothing of it at any address, whatever the account may do. */
    @Test
    void whoIsNoMemberFindsNothingAtAnyAddress(House house) {
        Page wren = house.signedIn("wren");
        String job = TypedDay.openJob(wren, "Not yours");
        for (String button : List.of("Let in", "Take sol out")) {
            wren.navigate(job + "/member");
            if (button.equals("Let in")) {
                wren.locator("#person").selectOption("sol");
                wren.locator("#part").selectOption("surveyor and reviewer");
            }
            wren.getByRole(
                            AriaRole.BUTTON,
                            new Page.GetByRoleOptions().setName(button).setExact(true))
                    .click();
            wren.waitForLoadState();
        }
        List<String> wrong = new ArrayList<>();
        for (String name : List.of("sol", "ida", "rue", "tam")) {
            Page page = house.signedIn(name);
            String token = page.locator("meta[name=csrf]").getAttribute("content");
            String header = page.locator("meta[name=csrf-header]").getAttribute("content");
            for (Address address : addresses(house)) {
                // The styles of a report are those of every job.
                boolean ofEveryJob = address.pattern().endsWith("/report.css");
                if (!address.pattern().startsWith("/job/{id}") || ofEveryJob) {
                    continue;
                }
                String path = address.path().replace("/job/11111111-1111-1111-1111-111111111111", job);
                int status = page.request()
                        .fetch(
                                path,
                                RequestOptions.create()
                                        .setMethod(address.method().name())
                                        .setHeader(header, token)
                                        .setMaxRedirects(0))
                        .status();
                if (status < 400 || status >= 500) {
                    wrong.add(name + " " + address + " " + status);
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    private static final List<String> PAGES = List.of(
            "",
            "/mark",
            "/equipment",
            "/code",
            "/setup",
            "/turning/S1",
            "/detail/S1",
            "/setout",
            "/practice",
            "/review",
            "/review/S1",
            "/traverse",
            "/network",
            "/point",
            "/point/checks",
            "/plan",
            "/planning",
            "/deliver");

    /** A form that is shown is one that may be posted: each is, to a job that is nobody's. */
    @Test
    void aReviewerIsShownOnlyTheFormsOfAReviewer(House house) {
        Page page = house.signedIn("ida");
        List<String> wrong = new ArrayList<>();
        page.onPageError(error -> wrong.add(page.url() + " " + error));
        String job = house.demo(page);
        String token = page.locator("meta[name=csrf]").getAttribute("content");
        String header = page.locator("meta[name=csrf-header]").getAttribute("content");
        int forms = 0;
        for (String path : PAGES) {
            assertThat(page.navigate(job + path).status()).as(path).isEqualTo(200);
            assertThat(page.locator(".left-out").textContent()).contains("reviewer");
            for (Locator form : page.locator("form:not([method=get])").all()) {
                String action = form.getAttribute("action");
                String beneath = form.getAttribute("data-path");
                String here = URI.create(page.url()).getPath();
                String to = action != null ? action : here + (beneath == null ? "/book" : beneath);
                if (!to.startsWith(job)) {
                    continue;
                }
                forms++;
                int status = page.request()
                        .post(
                                to.replace(job, "/job/11111111-1111-1111-1111-111111111111"),
                                RequestOptions.create().setHeader(header, token).setMaxRedirects(0))
                        .status();
                if (status == 403) {
                    wrong.add(path + ": " + to);
                }
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(forms).isGreaterThan(3);
    }

    @Test
    void whatNoRowNamesIsRefused(House house) {
        Page page = house.signedIn("sol");
        assertThat(page.request().get("/actuator/env").status()).isEqualTo(404);
        assertThat(page.request().get("/job/x/anything").status()).isEqualTo(404);
        assertThat(page.request().delete("/job/x").status()).isEqualTo(403);
    }
}
