package markturn.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Frames per second of plans of 1 000 to 100 000 points with names while a hand drags it and a wheel zooms it, in a headless browser. */
public final class PlanBench {
    private static final int MOVES = 240;
    private static final int[] POINTS = {1_000, 20_000, 100_000};

    private PlanBench() {}

    /** The address of a running Mark Turn with its demo accounts is the only argument. */
    public static void main(String[] arguments) throws Exception {
        Visitor visitor = new Visitor(arguments[0]);
        visitor.signIn();
        String token = visitor.token("/job");
        try (Playwright playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")))) {
            Browser browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(List.of("--no-sandbox", "--disable-gpu", "--no-first-run")));
            Page page = browser.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800))
                    .newPage();
            page.navigate(arguments[0] + "/sign-in");
            page.locator("#username").fill("wren");
            page.locator("#password").fill("alder-weir");
            page.keyboard().press("Enter");
            page.waitForURL("**/job");
            for (int points : POINTS) {
                String job = visitor.bringIn(IntakeBench.EMPTY);
                visitor.takeIn(visitor.upload(job + "/intake", "points.csv", IntakeBench.table(points), token), token);
                page.navigate(job + "/plan");
                page.locator("#plan[data-ready='1'], #plan-canvas[data-ready='1']")
                        .first()
                        .waitFor();
                System.out.printf("a plan of %d points with names, frames per second while the hand moves%n", points);
                print("all of it in view, dragged", dragged(page));
                for (int i = 0; i < 6; i++) {
                    page.locator("#zoom-in").press("Enter");
                }
                print("nearer, dragged", dragged(page));
                print("zoomed in and out by the wheel", wheeled(page));
            }
        }
    }

    private static void print(String what, double[] frames) {
        System.out.printf(Locale.ROOT, "  %-31s %.0f, longest frame %.0f ms%n", what, frames[0], frames[1]);
    }

    private static void count(Page page) {
        page.evaluate("() => { window.frames_ = []; window.counting_ = true;"
                + " const next = now => { window.frames_.push(now); if (window.counting_) requestAnimationFrame(next); };"
                + " requestAnimationFrame(next); }");
    }

    /** Frames per second, and the longest of them in milliseconds. */
    @SuppressWarnings("unchecked")
    private static double[] counted(Page page) {
        List<Number> frames =
                (List<Number>) page.evaluate("() => { window.counting_ = false; return window.frames_; }");
        double longest = 0;
        for (int i = 1; i < frames.size(); i++) {
            longest = Math.max(
                    longest, frames.get(i).doubleValue() - frames.get(i - 1).doubleValue());
        }
        double seconds =
                (frames.get(frames.size() - 1).doubleValue() - frames.get(0).doubleValue()) / 1000;
        return new double[] {(frames.size() - 1) / seconds, longest};
    }

    private static double[] dragged(Page page) {
        page.mouse().move(640, 400);
        page.mouse().down();
        count(page);
        for (int i = 0; i < MOVES; i++) {
            page.mouse().move(640 + 200 * Math.sin(i / 15.0), 400 + 120 * Math.cos(i / 11.0));
        }
        double[] frames = counted(page);
        page.mouse().up();
        return frames;
    }

    private static double[] wheeled(Page page) {
        count(page);
        for (int i = 0; i < MOVES; i++) {
            page.mouse().wheel(0, i / 12 % 2 == 0 ? -60 : 60);
        }
        return counted(page);
    }
}
