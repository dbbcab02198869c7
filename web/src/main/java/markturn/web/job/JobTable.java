package markturn.web.job;

import jakarta.persistence.EntityManager;
import jakarta.persistence.Query;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Service;

/** The jobs of somebody as a table: searched, sorted and filtered by the database, a page of it at a time. It asks rows of jobs and their summaries alone. */
@Service
class JobTable {
    /** So many jobs stand on a page. */
    static final int PAGE = 50;

    private static final int MOST_WORDS = 6;
    /** Of thousands of jobs only these narrow rows are sorted; what the page shows is asked for its own fifty alone. */
    private static final String FOUND = """
            select s.job_id, count(*) over () from job_member m join job_summary s on s.job_id = m.job_id
            where m.sign_in_name = :who""";

    private static final String ROWS = """
            select new markturn.web.job.JobTable$Row(j.id, j.title, j.openedAt, j.lastSequence, s.revision, s.place, s.archived,
                s.practice, s.setups, s.openStops, s.positions, s.proved, s.lastWorkedAt, s.lastWorkedBy, s.picture)
            from StoredJob j join JobSummary s on s.jobId = j.id where j.id in :found""";

    private final EntityManager database;

    JobTable(EntityManager database) {
        this.database = database;
    }

    /** Which jobs are shown. */
    enum Filter {
        OPEN("open", " and not s.archived"),
        MINE("mine", " and not s.archived and s.booked_by like :mine"),
        STOPS("with stops", " and not s.archived and s.open_stops > 0"),
        ARCHIVED("archived", " and s.archived"),
        ALL("all", "");

        private final String words;
        private final String condition;

        Filter(String words, String condition) {
            this.words = words;
            this.condition = condition;
        }

        public String words() {
            return words;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Filter read(String key) {
            return Arrays.stream(values())
                    .filter(f -> f.key().equals(key))
                    .findFirst()
                    .orElse(OPEN);
        }
    }

    /** In which order; equal ones by when they were opened, the newest first. */
    enum Order {
        NAME("Job", "ascending", "lower(s.title), "),
        PLACE("Place", "ascending", "lower(s.place), "),
        STATE("State", "descending", "s.open_stops desc, s.last_worked_at desc, "),
        WORKED("Last worked", "descending", "s.last_worked_at desc, ");

        private final String words;
        private final String direction;
        private final String by;

        Order(String words, String direction, String by) {
            this.words = words;
            this.direction = direction;
            this.by = by;
        }

        public String words() {
            return words;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        /** As a table's head says it to those who cannot see. */
        public String direction() {
            return direction;
        }

        static Order read(String key) {
            return Arrays.stream(values())
                    .filter(o -> o.key().equals(key))
                    .findFirst()
                    .orElse(WORKED);
        }
    }

    /**
     * What is asked for.
     *
     * @param words each of them in the name, the place or a mark of the job; none asks for every job
     * @param page from 0
     */
    record Asked(String words, Filter filter, Order order, int page) {}

    /** One job as it stands in the database, with what its summary says of it. */
    record Row(
            String id,
            String title,
            Instant openedAt,
            long revision,
            long summarised,
            String place,
            boolean archived,
            boolean practice,
            int setups,
            int openStops,
            int positions,
            int proved,
            Instant lastWorkedAt,
            String lastWorkedBy,
            String picture) {
        /** Whether more was booked than its summary knows. */
        boolean isBehind() {
            return summarised < revision;
        }

        /** Whether nothing of it has been counted yet. */
        boolean isUncounted() {
            return summarised == 0;
        }
    }

    /**
     * What is found.
     *
     * @param rows those of the page
     * @param count how many jobs there are on all pages; 0 on a page behind the last
     */
    record Found(List<Row> rows, long count) {}

    /** That page of the table. */
    Found find(String who, Asked asked) {
        Query query = query(who, asked).setFirstResult(asked.page() * PAGE).setMaxResults(PAGE);
        List<String> ids = new ArrayList<>();
        long count = 0;
        for (Object found : query.getResultList()) {
            Object[] row = (Object[]) found;
            ids.add((String) row[0]);
            count = ((Number) row[1]).longValue();
        }
        return new Found(ids.isEmpty() ? List.of() : rows(ids), count);
    }

    private List<Row> rows(List<String> ids) {
        return database.createQuery(ROWS, Row.class).setParameter("found", ids).getResultList().stream()
                .sorted(Comparator.comparingInt(row -> ids.indexOf(row.id())))
                .toList();
    }

    private Query query(String who, Asked asked) {
        Map<String, String> values = new LinkedHashMap<>();
        values.put("who", who);
        StringBuilder text = new StringBuilder(FOUND).append(asked.filter().condition);
        if (asked.filter() == Filter.MINE) {
            values.put("mine", "% " + escaped(who) + " %");
        }
        List<String> words = words(asked.words());
        for (int i = 0; i < words.size(); i++) {
            // As bytes it is compared in a third of the time, and both sides are written alike.
            text.append(" and binary s.searched like binary :word").append(i);
            values.put("word" + i, "%" + escaped(words.get(i)) + "%");
        }
        text.append(" order by ")
                .append(nearest(asked))
                .append(asked.order().by)
                .append("s.opened_at desc, s.job_id");
        Query query = database.createNativeQuery(text.toString());
        values.forEach(query::setParameter);
        return query;
    }

    /** Jobs whose name has all the words come before those that have them in their marks. */
    private static String nearest(Asked asked) {
        StringBuilder all = new StringBuilder();
        for (int i = 0; i < words(asked.words()).size(); i++) {
            all.append(i == 0 ? "case when " : " and ")
                    .append("lower(s.title) like :word")
                    .append(i);
        }
        return all.length() == 0 ? "" : all + " then 0 else 1 end, ";
    }

    private static List<String> words(String typed) {
        List<String> words = new ArrayList<>();
        for (String word : typed.toLowerCase(Locale.ROOT).strip().split("\\s+")) {
            if (!word.isEmpty() && words.size() < MOST_WORDS) {
                words.add(word);
            }
        }
        return words;
    }

    /** What stands for anything in a pattern is looked for as itself; the database's own escape is the backslash. */
    private static String escaped(String text) {
        return text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
    }
}
