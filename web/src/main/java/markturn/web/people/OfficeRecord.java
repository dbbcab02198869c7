package markturn.web.people;

import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;

/** What administrators did, and what they should know: only ever added to, also by the rights of the database. */
@Service
public class OfficeRecord {
    private static final int SHOWN = 200;
    private static final int LONGEST = 500;

    private final OfficeLines lines;

    OfficeRecord(OfficeLines lines) {
        this.lines = lines;
    }

    /**
     * Adds a line.
     *
     * @param who sign-in name; empty where nobody did it
     */
    public void note(String who, String what) {
        lines.save(new OfficeLine(Instant.now(), who, what.substring(0, Math.min(what.length(), LONGEST))));
    }

    /** The latest lines, the last one first. */
    List<OfficeLine> latest() {
        return lines.findAllByOrderByNumberDesc(Limit.of(SHOWN));
    }
}
