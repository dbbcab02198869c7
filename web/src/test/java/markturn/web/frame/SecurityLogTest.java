package markturn.web.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** One line an event, whatever somebody typed for a name. Source: OWASP ASVS 4.0, 7.3.1 (log injection). */
class SecurityLogTest {
    @Test
    void anEventIsOneLineAndNothingIsLost(@TempDir Path folder) throws Exception {
        Path file = folder.resolve("security.log");
        SecurityLog log = new SecurityLog(file.toString());
        log.note("sign-in-refused", "wren\n2026-01-01T00:00:00Z sign-in who=ida", "127.0.0.1", "/sign-in");
        log.note("export", "ida", "127.0.0.1", "x".repeat(5000));
        log.note("sign-out", null, "", "");
        List<String> lines = Files.readAllLines(file);
        assertThat(lines).hasSize(3);
        assertThat(lines.get(0)).contains("who=wren_2026-01-01T00:00:00Z_sign-in_who=ida from=127.0.0.1");
        assertThat(lines.get(1)).hasSizeLessThan(400);
        assertThat(lines.get(2)).contains("sign-out who=- from=- at=-");
    }
}
