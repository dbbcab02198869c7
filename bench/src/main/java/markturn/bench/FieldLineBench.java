package markturn.bench;

import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * The line of a phone in the field (400 kbit/s, 300 ms): how much a browser loads that has seen nothing yet, until the sheet of turning
 * stands; and a booked line from the tap until it stands in ink, beside an empty request, in turn.
 */
public final class FieldLineBench {
    private static final int LATENCY_MS = 300;
    private static final int BYTES_A_SECOND = 400_000 / 8;
    private static final int[] LINES = {25, 500};
    private static final int SIGHTS = 8;
    private static final int SETUPS = 4;
    private static final int ROUNDS = 15;

    /** Books a line and waits until it is drawn; milliseconds. */
    private static final String BOOKED = """
            async i => {
              const shown = () => document.getElementById("name").value;
              const form = document.getElementById("live");
              form.elements.circle.value = String(10 + i) + ".5000";
              form.elements.zenith.value = "90.0000";
              form.elements.slope.value = String(20 + i) + ".000";
              form.elements.height.value = "1.5";
              const before = shown();
              const began = performance.now();
              form.requestSubmit();
              while (shown() === before) await new Promise(next => { setTimeout(next, 1); });
              return performance.now() - began;
            }""";

    private static final String EMPTY = """
            async i => {
              const began = performance.now();
              await fetch("/favicon.svg?" + i, { method: "HEAD", cache: "no-store" });
              return performance.now() - began;
            }""";

    private FieldLineBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        System.out.println("a phone's line in the field, 400 kbit/s and 300 ms");
        try (Playwright playwright = Playwright.create(
                        new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                Browser browser = playwright
                        .chromium()
                        .launch(new BrowserType.LaunchOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setArgs(List.of("--no-sandbox", "--disable-gpu", "--no-first-run")))) {
            for (int lines : LINES) {
                String job = visitor.bringIn(ChainOfSetups.job(SETUPS, lines - SIGHTS));
                BrowserContext context = browser.newContext(new Browser.NewContextOptions().setBaseURL(arguments[0]));
                Page page = context.newPage();
                page.navigate("/sign-in");
                page.locator("#username").fill("wren");
                page.locator("#password").fill("alder-weir");
                page.keyboard().press("Enter");
                page.waitForURL("**/job");
                cold(browser, context, job + "/turning/S" + SETUPS);
                booked(context, page, job + "/detail", lines);
                context.close();
            }
        }
    }

    /** A context of its own, whose cache is empty. */
    private static void cold(Browser browser, BrowserContext signedIn, String sheet) {
        try (BrowserContext fresh = browser.newContext()) {
            fresh.addCookies(signedIn.cookies());
            Page page = fresh.newPage();
            double[] bytes = new double[1];
            CDPSession line = fresh.newCDPSession(page);
            line.send("Network.enable");
            line.on(
                    "Network.loadingFinished",
                    told -> bytes[0] += told.get("encodedDataLength").getAsDouble());
            narrow(line);
            long began = System.nanoTime();
            page.navigate(sheet);
            page.locator("tr[data-line]").last().waitFor();
            double seconds = (System.nanoTime() - began) / 1e9;
            page.waitForTimeout(2_000);
            System.out.printf(
                    Locale.ROOT,
                    "  a browser that has seen nothing yet: %.0f kB over the line, the sheet of turning stands after %.1f s%n",
                    bytes[0] / 1000,
                    seconds);
        }
    }

    private static void booked(BrowserContext context, Page page, String sheet, int lines) {
        page.navigate(sheet);
        page.locator("#circle").waitFor();
        CDPSession line = context.newCDPSession(page);
        line.send("Network.enable");
        narrow(line);
        double[] booked = new double[ROUNDS];
        double[] empty = new double[ROUNDS];
        for (int i = -2; i < ROUNDS; i++) {
            double one = ((Number) page.evaluate(BOOKED, i + 2)).doubleValue();
            double nothing = ((Number) page.evaluate(EMPTY, i)).doubleValue();
            if (i >= 0) {
                booked[i] = one;
                empty[i] = nothing;
            }
        }
        Arrays.sort(booked);
        Arrays.sort(empty);
        System.out.printf(
                Locale.ROOT,
                "  a line in a setup of %d: in ink after %.0f ms (median), an empty request %.0f ms, ratio %.2f%n",
                lines,
                booked[ROUNDS / 2],
                empty[ROUNDS / 2],
                booked[ROUNDS / 2] / empty[ROUNDS / 2]);
    }

    private static void narrow(CDPSession line) {
        JsonObject conditions = new JsonObject();
        conditions.addProperty("offline", false);
        conditions.addProperty("latency", LATENCY_MS);
        conditions.addProperty("downloadThroughput", BYTES_A_SECOND);
        conditions.addProperty("uploadThroughput", BYTES_A_SECOND);
        line.send("Network.emulateNetworkConditions", conditions);
    }
}
