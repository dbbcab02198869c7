package markturn.bench;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.Cookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * A pointing booked in the pocket, from the tap until it stands in ink (stored on the device, computed, drawn), beside an empty write of
 * the device's own store, in turn, in a headless browser.
 */
public final class PocketBench {
    private static final int[] SETUPS = {1, 20, 60};
    private static final int READINGS = 50;
    private static final int ROUNDS = 30;
    private static final int STARTS = 5;

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

    /** What the worker keeps, and the worker with all it imports. */
    private static final String KEPT = """
            async () => {
              const shell = await caches.open("shell");
              const kept = (await shell.keys()).map(request => new URL(request.url).pathname);
              const worker = document.getElementById("pocket").dataset.worker;
              const parts = ["worker", "core", "book", "exchange", "places", "shell", "store"];
              return [...kept, ...parts.map(name => worker.replace("worker.js", name + ".js"))];
            }""";

    private PocketBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        Path profiles = Files.createTempDirectory("pocket-bench");
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            Browsers browsers = new Browsers(playwright, arguments[0]);
            System.out.println(
                    "a pointing booked in the pocket, until it stands in ink, beside an empty write of the device's store");
            List<String> jobs = new ArrayList<>();
            try (BrowserContext context = browsers.opened(profiles.resolve("taken"))) {
                Page page = signedIn(context);
                for (int setups : SETUPS) {
                    jobs.add(visitor.bringIn(ChainOfSetups.job(setups, READINGS)));
                    measure(page, jobs.get(jobs.size() - 1), setups);
                }
                loadedOnce(page, arguments[0]);
            }
            List<Cookie> signedIn;
            try (BrowserContext context = browsers.opened(profiles.resolve("bare"))) {
                signedIn(context);
                signedIn = context.cookies();
            }
            coldStart(browsers, profiles, jobs.get(1), signedIn);
        }
    }

    /** Browsers with a profile of their own, which stays when they are closed: as an application that is ended and started again. */
    private record Browsers(Playwright playwright, String address) {
        BrowserContext opened(Path profile) {
            return playwright
                    .chromium()
                    .launchPersistentContext(
                            profile,
                            new BrowserType.LaunchPersistentContextOptions()
                                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                                    .setViewportSize(1280, 800)
                                    .setBaseURL(address)
                                    .setArgs(List.of("--no-sandbox", "--disable-gpu", "--no-first-run")));
        }
    }

    private static Page signedIn(BrowserContext context) {
        Page page = context.newPage();
        page.navigate("/sign-in");
        page.locator("#username").fill("wren");
        page.locator("#password").fill("alder-weir");
        page.keyboard().press("Enter");
        page.waitForURL("**/job");
        return page;
    }

    /** The session's cookie goes with a browser that is closed: it is put back before anything is loaded. */
    private static double cold(Browsers browsers, Path profile, String address, String drawn, List<Cookie> signedIn) {
        try (BrowserContext context = browsers.opened(profile)) {
            context.addCookies(signedIn);
            Page page = context.newPage();
            long began = System.nanoTime();
            page.navigate(address);
            page.locator(drawn).first().waitFor();
            return (System.nanoTime() - began) / 1e6;
        }
    }

    private static void coldStart(Browsers browsers, Path profiles, String job, List<Cookie> signedIn) {
        cold(browsers, profiles, "the start page", "/pocket", "#jobs li, #none:not([hidden])", signedIn);
        cold(
                browsers,
                profiles,
                "the sheet of detail of 20 setups and 1000 readings",
                job + "/detail",
                "#circle",
                signedIn);
    }

    private static void cold(
            Browsers browsers, Path profiles, String what, String address, String drawn, List<Cookie> signedIn) {
        double[] taken = new double[STARTS];
        double[] bare = new double[STARTS];
        for (int i = 0; i < STARTS; i++) {
            taken[i] = cold(browsers, profiles.resolve("taken"), address, drawn, signedIn);
            bare[i] = cold(browsers, profiles.resolve("bare"), address, drawn, signedIn);
        }
        Arrays.sort(taken);
        Arrays.sort(bare);
        System.out.printf(
                Locale.ROOT,
                "a browser started anew, until %s is there: from the device %.0f ms, from the server, with no core %.0f ms, ratio %.2f%n",
                what,
                taken[STARTS / 2],
                bare[STARTS / 2],
                taken[STARTS / 2] / bare[STARTS / 2]);
    }

    /** All that a device keeps of the program, and its worker, as they come over the wire. */
    private static void loadedOnce(Page page, String address) throws Exception {
        @SuppressWarnings("unchecked")
        List<String> kept = (List<String>) page.evaluate(KEPT);
        HttpClient client = HttpClient.newHttpClient();
        Set<String> seen = new LinkedHashSet<>(kept);
        long bytes = 0;
        for (String each : seen) {
            HttpRequest request = HttpRequest.newBuilder(URI.create(address + each))
                    .header("Accept-Encoding", "gzip")
                    .build();
            bytes += client.send(request, HttpResponse.BodyHandlers.ofByteArray())
                    .body()
                    .length;
        }
        System.out.printf(
                Locale.ROOT, "all that a phone loads once: %d parts, %d kB compressed%n", seen.size(), bytes / 1000);
    }

    private static void measure(Page page, String job, int setups) {
        page.navigate(job);
        page.locator("#take").click();
        page.locator("#taken-words")
                .filter(new Locator.FilterOptions().setHasText("all sent"))
                .waitFor();
        page.navigate(job + "/detail");
        page.locator("#circle").waitFor();
        double[] booked = new double[ROUNDS];
        double[] empty = new double[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            booked[i] = ((Number) page.evaluate(BOOKED, i)).doubleValue();
            empty[i] = ((Number) page.evaluate(EMPTY_WRITE)).doubleValue();
        }
        Arrays.sort(booked);
        Arrays.sort(empty);
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
