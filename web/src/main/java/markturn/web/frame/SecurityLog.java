package markturn.web.frame;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import markturn.survey.job.PlainText;
import org.apache.commons.logging.Log;
import org.apache.commons.logging.LogFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Who came in, who was refused, what was carried out of the house: a line each, without passwords, keys or what was typed. It goes to the
 * file that {@code markturn.security-log} names, only ever added to; without one, to the application's log.
 */
@Component
public class SecurityLog {
    private static final Log LOG = LogFactory.getLog("markturn.security");
    private static final int LONGEST = 200;

    private final String file;

    SecurityLog(@Value("${markturn.security-log:}") String file) {
        this.file = file;
    }

    /** Writes a line: what happened, who did it, from which address, and at what. */
    public synchronized void note(String what, String who, String address, String at) {
        String line = "%s %s who=%s from=%s at=%s"
                .formatted(Instant.now().truncatedTo(ChronoUnit.SECONDS), what, one(who), one(address), one(at));
        if (file.isEmpty()) {
            LOG.info(line);
            return;
        }
        try {
            Files.writeString(
                    Path.of(file),
                    line + "\n",
                    StandardCharsets.UTF_8,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
        } catch (IOException full) {
            LOG.error("The security log cannot be written: " + line, full);
        }
    }

    /** One word on one line, whatever somebody typed for a name. */
    private static String one(String text) {
        String word = PlainText.cleaned(text == null ? "" : text).replaceAll("\\s+", "_");
        return word.isEmpty() ? "-" : word.substring(0, Math.min(word.length(), LONGEST));
    }
}
