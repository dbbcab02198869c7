package markturn.web.pocket;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.ReadingBooked;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.web.House;
import markturn.web.fieldbook.FieldBook;
import markturn.web.turning.TypedDay;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;

/** Days on devices that reach no house: every act, with a simulated station; two devices in one job; a browser that dies; whose a device is. */
@ExtendWith(House.class)
class DayOnADeviceTest {
    /** Milliseconds: a device that is told of its connection has asked by then. */
    private static final int SOON = 2000;

    private static BookedJob book(House house, String job, String who) {
        return house.application().getBean(FieldBook.class).book(job.replace("/job/", ""), who);
    }

    /** A job of two. */
    private static String shared(House house, Page page, String with) throws FaultyFile {
        String alone = TypedDay.openJob(page, "Of two");
        byte[] file = page.request().get(alone + "/deliver/job-file").body();
        return "/job/"
                + house.application().getBean(FieldBook.class).open(JobFile.read(file), "wren", Set.of("wren", with));
    }

    private static String practise(Page page) {
        page.navigate("/job");
        page.getByText("Open a practice job").click();
        page.waitForURL("**/setup");
        return page.url().replaceAll("/setup$", "").replaceAll("^https?://[^/]+", "");
    }

    private static void target(Page page, String field, String name) {
        page.locator("[name='" + field + "']").fill(name);
        page.locator("[name='" + field + "-reflector']").selectOption("Prism");
        page.locator("[name='" + field + "-height']").fill("1.500");
    }

    private static void begin(Page page, String sets) {
        page.locator("details.usual summary").last().click();
        page.locator("#sets").fill(sets);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin the setup"))
                .press("Enter");
        page.waitForURL("**/turning/**");
    }

    private static void occupy(Page page, String job, String station, String backsight, String foresight, String sets) {
        page.navigate(job + "/setup");
        page.locator("#station").selectOption(station);
        page.locator("#height").fill("1.602");
        page.locator("#ask-weather").click();
        assertThat(page.locator("#temperature")).not().hasValue("");
        target(page, "back-0", backsight);
        target(page, "fore-0", foresight);
        begin(page, sets);
    }

    private static Locator ink(Page page) {
        return page.locator("tr.ink");
    }

    private static void accept(Page page, String job, String setup) {
        page.navigate(job + "/review/" + setup);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Accept").setExact(true))
                .click();
        assertThat(page.locator(".accepted")).containsText("Accepted by Sol Tarn");
    }

    /** Sixty pointings over two setups with a move between, a resection, detail, a strike, an acceptance; reloaded on the way. */
    @Test
    void everyActWithoutAHouseArrivesOnceAndInOrder(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "sol");
            String job = practise(page);
            WithoutAConnectionTest.takeAlong(page, job);
            long before = book(house, job, "sol").revision();
            line.cut();
            occupy(page, job, "PILLAR 1", "PILLAR 2", "POND 1", "8");
            page.locator("#take").click();
            assertThat(ink(page)).hasCount(1);
            page.locator("#take-all").click();
            assertThat(page.locator(".through")).isVisible();
            page.reload();
            assertThat(page.locator(".through")).isVisible();
            page.getByText("Move to POND 1").click();
            assertThat(page.locator("#station")).hasValue("POND 1");
            page.locator("#height").fill("1.571");
            page.locator("[name='back-0-height']").fill("1.530");
            target(page, "fore-0", "POND 2");
            begin(page, "8");
            page.locator("#take-all").click();
            assertThat(page.locator(".through")).isVisible();
            page.locator("#strike-last").click();
            page.locator("#strike-panel .reasons button").first().click();
            assertThat(page.locator("tr.struck")).containsText("typed wrong");

            page.navigate(job + "/setup");
            page.locator("#method").selectOption("resection");
            page.locator("#freeStation").fill("BAR 9");
            page.locator("#height").fill("1.550");
            for (int i = 0; i < 4; i++) {
                target(page, "back-" + i, "PILLAR " + (i + 1));
            }
            begin(page, "2");
            page.locator("#take-all").click();
            assertThat(page.locator(".through")).isVisible();
            page.navigate(job + "/review/S3");
            assertThat(page.locator("main")).containsText("4 marks, largest residual");

            page.navigate(job + "/detail/S1");
            page.locator("#name").fill("W1");
            page.locator("#height").fill("1.700");
            page.locator("#take").click();
            assertThat(page.locator("main")).containsText("W1");
            accept(page, job, "S1");
            assertThat(page.locator("#pocket-words")).containsText("lines wait");
            Assertions.assertThat(book(house, job, "sol").revision()).isEqualTo(before);

            line.mend();
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            BookedJob arrived = book(house, job, "sol");
            Assertions.assertThat(arrived.job().setups())
                    .extracting(Setup::name)
                    .containsExactly("S1", "S2", "S3");
            // Eight sets of two targets on two faces, twice; two sets of four; one shot of detail.
            Assertions.assertThat(arrived.job().setups().stream()
                            .mapToInt(setup -> setup.readings().size())
                            .sum())
                    .isEqualTo(32 + 32 + 16 + 1);
            Assertions.assertThat(arrived.unproved()).doesNotContain("S1").contains("S2", "S3");
            Assertions.assertThat(arrived.entries())
                    .extracting(entry -> entry.key())
                    .doesNotHaveDuplicates();
            Assertions.assertThat(arrived.job().setup("S2").orElseThrow().readings())
                    .filteredOn(reading -> !reading.stands())
                    .hasSize(1);
            // What the house shows is what the device showed.
            Page desk = house.signedIn("sol");
            desk.navigate(job + "/review/S3");
            assertThat(desk.locator("main")).containsText("4 marks, largest residual");
        }
    }

    @Test
    void aBrowserThatIsKilledHalfWayLosesNothing(House house, @TempDir Path profile) throws Exception {
        String job;
        try (Line line = new Line(house.address());
                Playwright playwright = Playwright.create(
                        new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            BrowserContext before = browser(playwright, profile, line);
            Page page = House.signIn(before.newPage(), "wren");
            job = TypedDay.openJob(page, "Killed");
            WithoutAConnectionTest.takeAlong(page, job);
            line.cut();
            TypedDay.occupy(page, job, "");
            TypedDay.book(page, "0 00 00", "89 42 50.1", "100.001");
            kill(profile);
            BrowserContext after = browser(playwright, profile, line);
            Page again = after.newPage();
            again.navigate(job + "/turning/S1");
            assertThat(ink(again)).hasCount(1);
            TypedDay.book(again, "180 00 00", "270 17 09.9", "100.001");
            // Whether the sign-in outlives a killed browser is chance (it is written down some time later): here it is
            // gone.
            after.clearCookies();
            line.mend();
            assertThat(again.locator("#pocket-words")).containsText("sign in to send");
            House.signIn(after.newPage(), "wren");
            assertThat(again.locator("#pocket-words")).containsText("all sent");
            after.close();
        }
        Assertions.assertThat(
                        book(house, job, "wren").job().setup("S1").orElseThrow().readings())
                .extracting(Reading::face)
                .containsExactly(Reading.Face.LEFT, Reading.Face.RIGHT);
    }

    /** What a device asks of its own accord while somebody signs in is answered late, as on a thin connection: the sign-in holds. */
    @Test
    void whatIsAskedMeanwhileTakesNoSignInAway(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Signed in meanwhile");
            WithoutAConnectionTest.takeAlong(page, job);
            line.cut();
            TypedDay.enter(page, job, "E", "1300");
            page.context().clearCookies();
            line.holdAnswers(asked -> asked.startsWith("GET /sign-in") && asked.contains("Sec-Fetch-Mode: cors"));
            line.mend();
            page.evaluate("dispatchEvent(new Event('online'))");
            page.waitForTimeout(SOON);
            House.signIn(page.context().newPage(), "wren");
            line.goOn();
            assertThat(page.locator("#pocket-words")).containsText("all sent");
        }
    }

    private static BrowserContext browser(Playwright playwright, Path profile, Line line) {
        BrowserContext context = playwright
                .chromium()
                .launchPersistentContext(
                        profile,
                        new BrowserType.LaunchPersistentContextOptions()
                                .setExecutablePath(House.CHROMIUM)
                                .setBaseURL(line.address())
                                .setDeviceScaleFactor(House.COARSE)
                                .setArgs(List.of("--no-sandbox", "--disable-gpu", "--no-first-run")));
        context.setDefaultTimeout(60_000);
        return context;
    }

    /** At once, as a battery that dies. */
    private static void kill(Path profile) throws InterruptedException {
        List<ProcessHandle> own = ProcessHandle.allProcesses()
                .filter(process -> process.info()
                        .arguments()
                        .map(arguments -> String.join(" ", arguments).contains(profile.toString()))
                        .orElse(false))
                .toList();
        Assertions.assertThat(own).isNotEmpty();
        own.forEach(ProcessHandle::destroyForcibly);
        for (ProcessHandle process : own) {
            process.onExit().join();
        }
        profile.resolve("SingletonLock").toFile().delete();
    }

    /** Two surveyors, each without a connection, at setups of their own; and both have named a mark alike. */
    @Test
    void twoDevicesInOneJobArriveBoth(House house) throws IOException, FaultyFile {
        try (Line one = new Line(house.address());
                Line other = new Line(house.address())) {
            Page first = house.signedInAt(one.address(), "wren");
            String job = shared(house, first, "sol");
            Page second = house.signedInAt(other.address(), "sol");
            WithoutAConnectionTest.takeAlong(first, job);
            WithoutAConnectionTest.takeAlong(second, job);
            one.cut();
            other.cut();
            TypedDay.occupy(first, job, "");
            TypedDay.book(first, "0 00 00", "89 42 50.1", "100.001");
            second.navigate(job + "/setup");
            second.locator("#name").fill("S2");
            second.locator("#station").selectOption("B");
            second.locator("#height").fill("1.400");
            second.locator("[name='back-0']").fill("A");
            second.locator("[name='back-0-reflector']").selectOption("Prism");
            second.locator("[name='back-0-height']").fill("1.500");
            begin(second, "2");
            TypedDay.book(second, "10 00 00", "90 17 10", "100.001");
            TypedDay.enter(first, job, "E", "1300");
            TypedDay.enter(second, job, "E", "1400");
            other.mend();
            assertThat(second.locator("#pocket-words")).containsText("all sent");
            one.mend();
            assertThat(first.locator("#pocket-words")).containsText("all sent");
            assertThat(first.locator("#pocket-aside")).containsText("mark E at N 1300.000");
            assertThat(first.locator("#pocket-aside")).containsText("E is in this job already");
            BookedJob arrived = book(house, job, "wren");
            Assertions.assertThat(arrived.job().setups())
                    .extracting(Setup::name)
                    .containsExactlyInAnyOrder("S1", "S2");
            Assertions.assertThat(arrived.entries())
                    .filteredOn(entry -> entry.payload() instanceof ReadingBooked)
                    .extracting(entry -> entry.by())
                    .containsExactlyInAnyOrder("wren", "sol");
            // Each comes to see what the other has booked.
            first.navigate(job + "/turning/S2");
            assertThat(ink(first)).hasCount(1);
            // It does not fit any better now; once it was read it is out of the way, and legible on the start page.
            first.getByText("Book it again").click();
            assertThat(first.locator("#pocket-aside li")).hasCount(1);
            assertThat(first.locator("#pocket-aside")).containsText("E is in this job already");
            first.getByText("I have read it").click();
            assertThat(first.locator("#pocket-aside li")).hasCount(0);
            first.navigate("/pocket");
            assertThat(first.locator("#jobs")).containsText("mark E at N 1300.000");
        }
    }

    /** What was set aside fits again: here the name is free again on the device that had lost it. */
    @Test
    void whatWasSetAsideIsBookedAgainWhereItFits(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Fits again");
            WithoutAConnectionTest.takeAlong(page, job);
            line.cut();
            TypedDay.occupy(page, job, "");
            FieldBook books = house.application().getBean(FieldBook.class);
            Page desk = house.signedIn("wren");
            TypedDay.occupy(desk, job, "");
            line.mend();
            assertThat(page.locator("#pocket-aside")).containsText("setup S1 on A, instrument height 1.500");
            // The other one is taken back at the desk: nothing was booked there.
            desk.navigate(job + "/setup");
            desk.locator("form[data-path='/remove'] [name='reason']").fill("began twice");
            desk.getByText("Remove", new Page.GetByTextOptions().setExact(true)).click();
            assertThat(desk.locator("#message")).containsText("S1 is removed");
            page.navigate(job + "/mark");
            page.waitForCondition(() -> book(house, job, "wren").job().setups().isEmpty());
            page.getByText("Book it again").first().click();
            assertThat(page.locator("#pocket-aside li")).hasCount(0);
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            Assertions.assertThat(
                            books.book(job.replace("/job/", ""), "wren").job().setups())
                    .hasSize(1);
        }
    }

    @Test
    void aDeviceIsOneAccountsAndIsClearedWhenItSignsOut(House house) throws IOException, FaultyFile {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = shared(house, page, "sol");
            WithoutAConnectionTest.takeAlong(page, job);
            line.cut();
            TypedDay.enter(page, job, "E", "1300");
            page.locator("#sign-out button").click();
            assertThat(page.locator("#sign-out .fault")).containsText("1 line waits on this device, for you alone");
            line.mend();
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            // Somebody else signs in on this device: nothing of it is theirs, and the server answers.
            page.context().clearCookies();
            Page other = House.signIn(page.context().newPage(), "sol");
            other.navigate(job + "/mark");
            assertThat(other.locator(".house-looks")).containsText("sol");
            assertThat(other.locator("#pocket")).isHidden();
            other.context().clearCookies();
            page.close();
            Page back = House.signIn(other.context().newPage(), "wren");
            back.navigate(job + "/mark");
            assertThat(back.locator("#pocket-words")).containsText("all sent");
            back.locator("#sign-out button").click();
            back.waitForURL("**/sign-in?out");
            back.navigate("/pocket");
            assertThat(back.locator("#none")).isVisible();
            line.cut();
            back.navigate(job + "/mark");
            assertThat(back.locator("#elsewhere")).isVisible();
        }
    }

    /** Over a line that carries nothing the server cannot be told that somebody signs out: it is when it is reached again, before it answers anybody. */
    @Test
    void whoSignsOutWithoutAConnectionIsSignedOutWhenThereIsOne(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Signed out without a line");
            WithoutAConnectionTest.takeAlong(page, job);
            line.fallSilent();
            TypedDay.enter(page, job, "E", "1300");
            page.locator("#sign-out button").click();
            assertThat(page.locator("#sign-out .fault")).containsText("1 line waits on this device, for you alone");
            page.locator("#sign-out button").click();
            assertThat(page.locator("#signed-out")).containsText("You are signed out on this device");
            // Whoever comes next reads no name of a job, nor what was booked in it.
            assertThat(page.locator("#others")).containsText("Lines wait on this device for whoever booked them");
            assertThat(page.locator("#jobs li")).hasCount(0);
            line.mend();
            page.navigate("/job");
            page.waitForURL("**/sign-in");
            page.getByLabel("Name").fill("wren");
            page.getByLabel("Password").fill("alder-weir");
            page.keyboard().press("Enter");
            page.waitForURL(address -> !address.contains("sign-in"));
            page.navigate(job + "/mark");
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            Assertions.assertThat(book(house, job, "wren").job().mark("E")).isPresent();
        }
    }

    /** Somebody who is asked to sign in and has no connection any more works on: nobody else has signed in. */
    @Test
    void aSignInThatReachesNobodyLeavesTheDeviceToItsAccount(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Asked to sign in");
            WithoutAConnectionTest.takeAlong(page, job);
            page.navigate(job + "/mark");
            page.navigate("/sign-in");
            line.cut();
            page.getByLabel("Name").fill("wren");
            page.getByLabel("Password").fill("alder-weir");
            page.keyboard().press("Enter");
            assertThat(page.locator("#elsewhere")).isVisible();
            TypedDay.enter(page, job, "E", "1300");
            assertThat(page.locator("#pocket-words")).containsText("1 line waits");
        }
    }

    /** An exchange that was under way when somebody signed out is not to leave the job on the device of whoever comes next. */
    @Test
    void whatWasLetGoDoesNotComeBack(House house) {
        Page page = house.signedIn("wren");
        String job = TypedDay.openJob(page, "Let go");
        WithoutAConnectionTest.takeAlong(page, job);
        Object left = page.evaluate(
                "async id => { const store = await import(document.querySelector('script[src*=\"pocket/strip\"]').src.replace('strip', 'store'));"
                        + "const taken = await store.job(id);"
                        + "await store.letGo(id);"
                        + "await store.settle(taken, [{ sequence: 9, key: 'late' }], [], []);"
                        + "await store.takeAlong(taken, [], [], true);"
                        + "return [Boolean(taken), Boolean(await store.job(id)), (await store.told(id)).length].join(' '); }",
                job.replace("/job/", ""));
        Assertions.assertThat(left).isEqualTo("true false 0");
    }

    /** The office lets people work so long without signing in; then what waits stays, and nothing more is booked. */
    @Test
    void whoSignedInTooLongAgoIsAskedToSignIn(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Too long ago");
            WithoutAConnectionTest.takeAlong(page, job);
            page.navigate(job + "/mark");
            line.cut();
            page.evaluate(
                    "async () => { const { mayWork } = await import(document.querySelector('script[src*=\"pocket/strip\"]')"
                            + ".src.replace('strip', 'store')); await mayWork('wren', '2026-01-01T00:00:00Z'); }");
            TypedDay.type(page, "name-0", "E", "northing-0", "1300", "easting-0", "5010");
            page.getByText("Enter these marks").click();
            assertThat(page.locator("#message")).containsText("Your sign-in on this device has ended");
            assertThat(page.locator("[name='name-0']")).hasValue("E");
            page.navigate(job + "/setup");
            assertThat(page.locator("#ended")).isVisible();
            // The house is there again and says until when: the work goes on.
            line.mend();
            page.navigate(job + "/mark");
            assertThat(page.locator("#pocket-words")).containsText("all sent");
            page.waitForCondition(() -> (boolean) page.evaluate(
                    "async () => { const { mayWorkNow } = await import(document.querySelector('script[src*=\"pocket/strip\"]')"
                            + ".src.replace('strip', 'store')); return mayWorkNow('wren'); }"));
            line.cut();
            TypedDay.enter(page, job, "E", "1300");
            assertThat(page.locator("#pocket-words")).containsText("1 line waits");
        }
    }

    @Test
    void whatNeedsTheOfficeSaysSoInASentence(House house) throws IOException {
        try (Line line = new Line(house.address())) {
            Page page = house.signedInAt(line.address(), "wren");
            String job = TypedDay.openJob(page, "Office");
            WithoutAConnectionTest.takeAlong(page, job);
            line.cut();
            for (String room : List.of("/network", "/deliver", "/equipment", "/traverse")) {
                page.navigate(job + room);
                assertThat(page.locator("#elsewhere")).containsText("That page is the office's");
                assertThat(page.locator("#jobs")).containsText("Office");
            }
            // A theme is no matter of a connection.
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("sun"))
                    .click();
            page.navigate(job + "/setup");
            assertThat(page.locator("html")).hasAttribute("data-theme", "sun");
        }
    }

    /** Whoever only reads takes a job along too, and is kept up to date. */
    @Test
    void aReaderIsKeptUpToDate(House house) throws IOException, FaultyFile {
        try (Line line = new Line(house.address())) {
            String job = shared(house, house.signedIn("wren"), "rue");
            FieldBook books = house.application().getBean(FieldBook.class);
            Page page = house.signedInAt(line.address(), "rue");
            WithoutAConnectionTest.takeAlong(page, job);
            page.navigate(job + "/mark");
            books.add(
                    job.replace("/job/", ""),
                    "read-along",
                    "wren",
                    new MarkAdded(Mark.control("D", 900, 5000, OptionalDouble.of(9), "other list")));
            assertThat(page.locator("main")).containsText("other list");
            assertThat(page.locator("#pocket-words")).containsText("all sent");
        }
    }
}
