package markturn.web.phone;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.KeyStore;
import java.security.cert.CertificateFactory;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import javax.imageio.ImageIO;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLHandshakeException;
import javax.net.ssl.TrustManagerFactory;
import markturn.web.House;
import markturn.web.turning.TypedDay;
import org.apache.catalina.connector.Connector;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.tomcat.TomcatWebServer;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;

/** The house on the local network: over TLS for those who trust its authority, and for nobody else; without TLS for nobody. */
@ExtendWith(House.class)
class OverTlsTest {
    private static final Path COMMAND = Path.of("../mark-turn").toAbsolutePath().normalize();

    @TempDir
    static Path folder;

    private static ServletWebServerApplicationContext served;
    private static String secure;
    private static String plain;

    private static String run(int expected, String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes());
        assertThat(process.waitFor()).as(said).isEqualTo(expected);
        return said;
    }

    private static Path authority() {
        return folder.resolve("tls/authority.crt");
    }

    @BeforeAll
    static void serve() throws Exception {
        run(0, "bash", COMMAND.toString(), "certificate", folder.toString(), "127.0.0.1");
        served = House.started(Map.of(
                "markturn.tls.address", "127.0.0.1",
                "markturn.tls.port", "0",
                "markturn.tls.certificate", folder.resolve("tls/server.crt").toString(),
                "markturn.tls.key", folder.resolve("tls/server.key").toString(),
                "markturn.tls.authority", authority().toString(),
                "markturn.tls.shown", "https://127.0.0.1:8443",
                "markturn.demo", "false"));
        plain = "http://127.0.0.1:" + served.getWebServer().getPort();
        Connector[] connectors = ((TomcatWebServer) Objects.requireNonNull(served.getWebServer()))
                .getTomcat()
                .getService()
                .findConnectors();
        secure = "https://127.0.0.1:" + connectors[connectors.length - 1].getLocalPort();
    }

    @AfterAll
    static void end() {
        served.close();
    }

    private static HttpResponse<String> ask(HttpClient client, String address) throws Exception {
        return client.send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private static HttpClient trusting(byte[] certificate) throws Exception {
        KeyStore trusted = KeyStore.getInstance(KeyStore.getDefaultType());
        trusted.load(null);
        trusted.setCertificateEntry(
                "authority",
                CertificateFactory.getInstance("X.509").generateCertificate(new ByteArrayInputStream(certificate)));
        TrustManagerFactory managers = TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
        managers.init(trusted);
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(null, managers.getTrustManagers(), null);
        return HttpClient.newBuilder().sslContext(context).build();
    }

    /** What differs from page to page is the token of its form. */
    private static String page(HttpResponse<String> answer) {
        assertThat(answer.statusCode()).isEqualTo(200);
        return answer.body().replaceAll("(content|value)=\"[A-Za-z0-9_-]{60,}\"", "");
    }

    @Test
    void whoTrustsTheAuthorityIsServedTheSamePageAndWhoDoesNotIsServedNone() throws Exception {
        HttpClient stranger = HttpClient.newHttpClient();
        HttpResponse<String> here = ask(stranger, plain + "/sign-in");
        HttpClient friend =
                trusting(ask(stranger, plain + "/phone/authority.crt").body().getBytes());
        HttpResponse<String> there = ask(friend, secure + "/sign-in");
        assertThat(page(there)).isEqualTo(page(here));
        assertThat(there.version()).isEqualTo(HttpClient.Version.HTTP_2);
        assertThatThrownBy(() -> ask(stranger, secure + "/sign-in")).isInstanceOf(SSLHandshakeException.class);
        assertThat(there.headers().firstValue("Set-Cookie").orElseThrow()).contains("Secure");
    }

    @Test
    void theKeysAreTheOwnersAloneAndTheAuthorityVouchesForLocalAddressesOnly() throws Exception {
        for (String key : List.of("authority.key", "server.key")) {
            assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(folder.resolve("tls/" + key))))
                    .isEqualTo("rw-------");
        }
        assertThat(run(
                        0,
                        "openssl",
                        "x509",
                        "-noout",
                        "-text",
                        "-in",
                        authority().toString()))
                .contains("X509v3 Name Constraints: critical", "IP:192.168.0.0/255.255.0.0");
        // A second start leaves both as they are: what devices trust stays.
        byte[] before = Files.readAllBytes(authority());
        run(0, "bash", COMMAND.toString(), "certificate", folder.toString(), "127.0.0.1");
        assertThat(authority()).hasBinaryContent(before);
    }

    @Test
    void whatWouldGoInTheClearIsRefused(@TempDir Path data) throws Exception {
        assertThat(run(1, "bash", COMMAND.toString(), "start", "--data", data.toString(), "--address", "0.0.0.0"))
                .contains("0.0.0.0 without TLS would send passwords and field books in the clear");
        assertThatThrownBy(() -> served(Map.of("server.address", "0.0.0.0")))
                .hasStackTraceContaining("without TLS only this machine itself is served");
        // The accounts of a demo have a password that everybody knows.
        assertThatThrownBy(() -> served(Map.of("markturn.tls.shown", "https://192.168.1.20:8443")))
                .hasStackTraceContaining("everybody knows the password of its demo accounts");
    }

    private static void served(Map<String, Object> properties) {
        House.started(properties).close();
    }

    /** The authority is put where this browser looks for those it trusts. */
    private static BrowserContext browser(Playwright playwright, Path home, boolean trusts) throws Exception {
        Path store = Files.createDirectories(home.resolve(".pki/nssdb"));
        run(0, "certutil", "-N", "--empty-password", "-d", "sql:" + store);
        if (trusts) {
            run(
                    0,
                    "certutil",
                    "-A",
                    "-d",
                    "sql:" + store,
                    "-n",
                    "office",
                    "-t",
                    "C,,",
                    "-i",
                    authority().toString());
        }
        return playwright
                .chromium()
                .launchPersistentContext(
                        home.resolve("profile"),
                        new BrowserType.LaunchPersistentContextOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setEnv(Map.of("HOME", home.toString()))
                                .setBaseURL(secure)
                                .setViewportSize(390, 844)
                                .setArgs(List.of("--no-sandbox", "--disable-gpu", "--no-first-run")));
    }

    @Test
    void aPhoneThatTrustsTheAuthorityTakesAJobAlong(House house, @TempDir Path home) throws Exception {
        String job = TypedDay.openJob(house.signedIn("wren"), "Over TLS");
        try (Playwright playwright = Playwright.create(
                        new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                BrowserContext stranger = browser(playwright, home.resolve("stranger"), false);
                BrowserContext friend = browser(playwright, home.resolve("friend"), true)) {
            assertThatThrownBy(() -> stranger.newPage().navigate("/sign-in"))
                    .isInstanceOf(PlaywrightException.class)
                    .hasMessageContaining("ERR_CERT_AUTHORITY_INVALID");
            Page page = House.signIn(friend.newPage(), "wren");
            page.navigate(job);
            page.locator("#take").click();
            assertThat(page.locator("#taken-words")).containsText("all sent");
            page.navigate("/phone");
            assertThat(page.locator(".fingerprint")).hasText(fingerprint());
            assertThat(readBy(page.locator("svg.qr"))).isEqualTo("https://127.0.0.1:8443/phone");
        }
    }

    private static String fingerprint() throws Exception {
        return run(
                        0,
                        "openssl",
                        "x509",
                        "-noout",
                        "-fingerprint",
                        "-sha256",
                        "-in",
                        authority().toString())
                .strip()
                .replaceFirst("^.*=", "");
    }

    /** As a camera would: the picture on the screen, read by the same library's other half. */
    private static String readBy(Locator code) throws Exception {
        try (InputStream png = new ByteArrayInputStream(code.screenshot())) {
            BufferedImage picture = ImageIO.read(png);
            int[] pixels = picture.getRGB(0, 0, picture.getWidth(), picture.getHeight(), null, 0, picture.getWidth());
            return new QRCodeReader()
                    .decode(new BinaryBitmap(new HybridBinarizer(
                            new RGBLuminanceSource(picture.getWidth(), picture.getHeight(), pixels))))
                    .getText();
        }
    }
}
