package markturn.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A pointing booked in the pocket, from the tap until it stands in ink (stored on the device, computed, drawn), beside an empty write of
 * the device's own store, in turn, in a headless browser.
 */
public final class PocketBench {
    private static final int[] SETUPS = {1, 20, 60};
    private static final int READINGS = 50;
    private static final int ROUNDS = 30;

    /** Books a line and waits until it is drawn; milliseconds. */
    private static final String BOOKED = """
            async i => {
              const rows = () => document.querySelectorAll("tr[data-line]").length + document.querySelector("#name").value;
              const form = document.getElementById("live");
              Object.assign(form.elements.circle, { value: String(10 + i) + ".5000" });
              Object.assign(form.elements.zenith, { value: "90.0000" });
              Object.assign(form.elements.slope, { value: String(20 + i) + ".000" });
              if (form.elements.height) form.elements.height.value = "1.5";
              const before = rows();
              const began = performance.now();
              form.requestSubmit();
              while (rows() === before) await new Promise(next => { setTimeout(next, 1); });
              return performance.now() - began;
            }""";

    private static final String EMPTY_WRITE = """
            () => new Promise(done => {
              const began = performance.now();
              const asked = indexedDB.open("mark-turn");
              asked.onsuccess = () => {
                const transaction = asked.result.transaction("who", "readwrite", { durability: "strict" });
                transaction.objectStore("who").put("nothing", "bench");
                transaction.oncomplete = () => { asked.result.close(); done(performance.now() - began); };
              };
            })""";

    private PocketBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            Browser browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(List.of("--no-sandbox", "--disable-gpu", "--no-first-run")));
            Page page = browser.newContext(new Browser.NewContextOptions()
                            .setViewportSize(1280, 800)
                            .setBaseURL(arguments[0]))
                    .newPage();
            page.navigate("/sign-in");
            page.locator("#username").fill("wren");
            page.locator("#password").fill("alder-weir");
            page.keyboard().press("Enter");
            page.waitForURL("**/job");
            System.out.println(
                    "a pointing booked in the pocket, until it stands in ink, beside an empty write of the device's store");
            for (int setups : SETUPS) {
                measure(page, visitor.bringIn(ChainOfSetups.job(setups, READINGS)), setups);
            }
        }
    }

    private static void measure(Page page, String job, int setups) {
        page.navigate(job);
        page.locator("#take").click();
        page.locator("#taken-words")
                .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("all sent"))
                .waitFor();
        page.navigate(job + "/detail");
        page.locator("#circle").waitFor();
        double[] booked = new double[ROUNDS];
        double[] empty = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            booked[i] = ((Number) page.evaluate(BOOKED, i)).doubleValue();
            empty[i] = ((Number) page.evaluate(EMPTY_WRITE)).doubleValue();
        }
        java.util.Arrays.sort(booked);
        java.util.Arrays.sort(empty);
        System.out.printf(
                Locale.ROOT,
                "  %2d setups, %d readings: median %.0f ms, 95 of 100 within %.0f ms; empty write %.1f ms, ratio %.1f%n",
                setups,
                setups * READINGS,
                booked[ROUNDS / 2],
                booked[ROUNDS * 95 / 100],
                empty[ROUNDS / 2],
                booked[ROUNDS / 2] / empty[ROUNDS / 2]);
    }
}
