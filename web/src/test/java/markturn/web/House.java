package markturn.web;

import com.microsoft.playwright.APIRequestContext;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import markturn.web.people.People;
import markturn.web.people.Person;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.junit.jupiter.api.extension.TestExecutionExceptionHandler;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ApplicationContext;

/**
 * The real application with its own database and a real browser, started once for all tests of a run. A test class asks for it with
 * {@code @ExtendWith(House.class)} and takes a {@code House} as parameter.
 */
public final class House implements BeforeAllCallback, ParameterResolver, TestExecutionExceptionHandler {
    /** Milliseconds: a machine that is busy with something else must not fail a test. */
    private static final double PATIENCE = 60_000;

    /** Chromium without the windows nobody sees: the same engine for two thirds of the processor's time. */
    public static final Path CHROMIUM = Path.of("/usr/bin/chromium-headless-shell");

    /** What everybody signs in with here. */
    private static final String PASSWORD = "alder-weir";

    /** The token that a form of a page carries. */
    public static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");

    /** The folder of the database; test classes run in several processes, each with a house of its own. */
    public static final Path DATA = Path.of("target", System.getProperty("markturn.data", "test-data"));

    private static House started;

    private static final Map<String, Object> DATABASE = new HashMap<>();

    /** Pixels for each one of the page: nothing that is laid out changes, and a quarter is left to be painted, by the processor. */
    public static final double COARSE = 0.5;

    /** The browsers of the test class at hand; those of the one before are closed, so that they take no time from it. */
    private static final List<BrowserContext> OPEN = new ArrayList<>();

    private final ServletWebServerApplicationContext application;
    private final Browser browser;

    /** Made by JUnit for each test class; the house itself is made once. */
    public House() {
        this(null, null);
    }

    private House(ServletWebServerApplicationContext application, Browser browser) {
        this.application = application;
        this.browser = browser;
    }

    @Override
    public void beforeAll(ExtensionContext context) throws Exception {
        house();
        OPEN.forEach(BrowserContext::close);
        OPEN.clear();
    }

    private static synchronized House house() throws Exception {
        if (started == null) {
            TestDatabase database = TestDatabase.start(DATA);
            Map<String, Object> properties = database.properties();
            DATABASE.putAll(properties);
            var context = started(Map.of());
            // One who is both, and one who only reads.
            People people = context.getBean(People.class);
            people.open("sol", "Sol Tarn", PASSWORD, new Person.Roles(true, true, false));
            people.open("rue", "Rue Dell", PASSWORD, new Person.Roles(false, false, false));
            Playwright playwright = Playwright.create(
                    new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
            Browser chromium = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(CHROMIUM)
                            .setArgs(List.of(
                                    "--no-sandbox",
                                    "--disable-gpu",
                                    "--disable-background-networking",
                                    "--disable-component-update",
                                    "--disable-sync",
                                    // A process less for each run: nothing is drawn by a graphics card here.
                                    "--in-process-gpu",
                                    "--no-first-run")));
            PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE / 2);
            started = new House(context, chromium);
            Runtime.getRuntime().addShutdownHook(new Thread(() -> {
                playwright.close();
                context.close();
                database.stop();
            }));
        }
        return started;
    }

    /** How the application finds the database of the tests. */
    static String setting(String name) {
        return DATABASE.get(name).toString();
    }

    /** The application once more on the database of the tests, with settings of its own; whoever asks for it closes it. */
    public static ServletWebServerApplicationContext started(Map<String, Object> settings) {
        SpringApplication spring = new SpringApplication(WebApplication.class);
        spring.setDefaultProperties(DATABASE);
        List<String> given = new ArrayList<>(List.of("--server.port=0", "--markturn.password-strength=4"));
        settings.forEach((name, value) -> given.add("--" + name + "=" + value));
        return (ServletWebServerApplicationContext) spring.run(given.toArray(String[]::new));
    }

    /** Where a page was waited for in vain, it is said whether the house was at work on an answer then, and where. */
    @Override
    public void handleTestExecutionException(ExtensionContext context, Throwable fault) throws Throwable {
        if (fault instanceof TimeoutError) {
            throw new AssertionError("in vain, while the house was at " + atWork() + ": " + fault.getMessage(), fault);
        }
        throw fault;
    }

    /** What the house computes and answers just now: for each thread at work, where in this program. */
    private static List<String> atWork() {
        List<String> places = new ArrayList<>();
        Thread.getAllStackTraces()
                .forEach((thread, calls) -> Arrays.stream(calls)
                        .filter(call -> call.getClassName().startsWith("markturn.")
                                && !call.getClassName().startsWith("markturn.web.House"))
                        .findFirst()
                        .ifPresent(call -> places.add(thread.getName() + " " + thread.getState() + " " + call)));
        return places;
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == House.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return started;
    }

    /** The application's beans. */
    public ApplicationContext application() {
        return application;
    }

    /** Where the pages are. */
    public String address() {
        return "http://127.0.0.1:" + application.getWebServer().getPort();
    }

    /** A fresh browser without cookies, at 1280 by 800. */
    public Page visitor() {
        return opened(new Browser.NewContextOptions().setViewportSize(1280, 800));
    }

    /** A fresh browser, signed in, that reaches the house by another address. */
    public Page signedInAt(String address, String name) {
        return admitted(opened(new Browser.NewContextOptions().setViewportSize(1280, 800), address), name);
    }

    private Page opened(Browser.NewContextOptions options) {
        return opened(options, address());
    }

    private Page opened(Browser.NewContextOptions options, String at) {
        BrowserContext context = browser.newContext(
                options.setDeviceScaleFactor(COARSE).setBaseURL(at).setAcceptDownloads(true));
        context.setDefaultTimeout(PATIENCE);
        OPEN.add(context);
        return context.newPage();
    }

    /** A fresh browser, signed in. */
    public Page signedIn(String name) {
        return admitted(visitor(), name);
    }

    /** The same on something that is touched: a tablet or a phone. */
    public Page signedInByTouch(String name, int width, int height) {
        return admitted(
                opened(new Browser.NewContextOptions()
                        .setViewportSize(width, height)
                        .setHasTouch(true)
                        .setIsMobile(true)),
                name);
    }

    /** Signs somebody in as pages do it, and leads to the jobs; what the page of the sign-in looks like is tried where it is typed. */
    private static Page admitted(Page page, String name) {
        signIn(page.request(), "", name);
        page.navigate("/job");
        page.waitForURL("**/job");
        return page;
    }

    /** What the pages at an address, or at the visitor's own, answer to a sign-in. */
    static APIResponse signIn(APIRequestContext visitor, String pages, String name) {
        String form = visitor.get(pages + "/sign-in").text();
        Matcher token = TOKEN.matcher(form);
        if (!token.find()) {
            throw new AssertionError("no token in the sign-in: " + form);
        }
        FormData typed = FormData.create()
                .set("username", name)
                .set("password", PASSWORD)
                .set("_csrf", token.group(1));
        return visitor.post(
                pages + "/sign-in",
                RequestOptions.create()
                        .setHeader("Accept", "text/html")
                        .setForm(typed)
                        .setMaxRedirects(0));
    }

    /** Signs somebody in, typed. */
    public static Page signIn(Page page, String name) {
        page.navigate("/sign-in");
        page.getByLabel("Name").fill(name);
        page.getByLabel("Password").fill(PASSWORD);
        page.keyboard().press("Enter");
        page.waitForURL("**/job");
        return page;
    }

    /** What a form that the page does not show would be answered: the status. */
    public static int posted(Page page, String path) {
        return (int) page.evaluate(
                "async path => (await fetch(path, { method: 'POST', headers: { [document.querySelector('meta[name=csrf-header]').content]: document.querySelector('meta[name=csrf]').content } })).status",
                path);
    }

    /** A file that is made beside the pages, asked for until it is there. */
    public static byte[] made(Page page, String path) {
        APIResponse answer = page.request().get(path);
        while (answer.status() == 202) {
            page.waitForTimeout(500);
            answer = page.request().get(path);
        }
        if (answer.status() != 200) {
            throw new AssertionError(path + " answered " + answer.status());
        }
        return answer.body();
    }

    /** The address of the demo job, as its surveyor finds it. */
    public String demo(Page page) {
        // Asked for by its name: behind a page full of other tests' jobs it would not be listed.
        page.navigate("/job?words=Alder+Weir");
        // Jobs begun from it may have its name in theirs, and nothing measured.
        return page.locator("a.row-link", new Page.LocatorOptions().setHasText(Pattern.compile("^\\s*Alder Weir\\s*$")))
                .last()
                .getAttribute("href");
    }
}
