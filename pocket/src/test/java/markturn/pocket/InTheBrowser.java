package markturn.pocket;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** The compiled module in a real browser, served from a folder as any page would be. */
final class InTheBrowser implements AutoCloseable {
    private static final Path MODULE = Path.of("target/module/core.js");

    private final HttpServer server;
    private final Playwright playwright;
    private final Page page;

    InTheBrowser() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        byte[] module = Files.readAllBytes(MODULE);
        server.createContext("/", exchange -> {
            boolean script = exchange.getRequestURI().getPath().endsWith(".js");
            byte[] body = script ? module : "<!DOCTYPE html><title>Core</title>".getBytes();
            exchange.getResponseHeaders().set("Content-Type", script ? "text/javascript" : "text/html");
            exchange.sendResponseHeaders(200, body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        server.start();
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        Browser chromium = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                        .setArgs(List.of(
                                "--no-sandbox",
                                "--disable-gpu",
                                "--disable-background-networking",
                                "--disable-component-update",
                                "--disable-sync",
                                "--no-first-run")));
        page = chromium.newPage();
        page.navigate("http://127.0.0.1:" + server.getAddress().getPort() + "/");
        page.evaluate("async () => { window.core = await import('/core.js'); }");
    }

    /** Calls an exported function of texts. */
    Object call(String function, String... arguments) {
        return page.evaluate("([name, given]) => window.core[name](...given)", List.of(function, List.of(arguments)));
    }

    /** What a function throws, as its message. */
    String fault(String function, String... arguments) {
        return (String) page.evaluate(
                "([name, given]) => { try { window.core[name](...given); return ''; } catch (fault) { return fault.message; } }",
                List.of(function, List.of(arguments)));
    }

    @Override
    public void close() {
        playwright.close();
        server.stop(0);
    }
}
