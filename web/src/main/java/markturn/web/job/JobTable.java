package markturn.web.job;

import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
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
    private static final String FROM =
            " from StoredJob j join j.members m left join JobSummary s on s.jobId = j.id where m = :who";
    private static final String COLUMNS = """
            select new markturn.web.job.JobTable$Row(j.id, j.title, j.openedAt, j.lastSequence, s.revision, s.place, s.archived,
                s.practice, s.setups, s.openStops, s.positions, s.proved, s.lastWorkedAt, s.lastWorkedBy, s.picture)""";

    private final EntityManager database;

    JobTable(EntityManager database) {
        this.database = database;
    }

    /** Which jobs are shown. */
    enum Filter {
        OPEN("open", " and (s.archived is null or s.archived = false)"),
        MINE("mine", " and (s.archived is null or s.archived = false) and s.bookedBy like :mine"),
        STOPS("with stops", " and s.openStops > 0 and s.archived = false"),
        ARCHIVED("archived", " and s.archived = true"),
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
        NAME("Job", "ascending", "lower(j.title), "),
        PLACE("Place", "ascending", "lower(s.place), "),
        STATE("State", "descending", "s.openStops desc, s.lastWorkedAt desc, "),
        WORKED("Last worked", "descending", "coalesce(s.lastWorkedAt, j.openedAt) desc, ");

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

    /** One job as it stands in the database; what its summary says is null where it has none yet. */
    record Row(
            String id,
            String title,
            Instant openedAt,
            long revision,
            Long summarised,
            String place,
            Boolean archived,
            Boolean practice,
            Integer setups,
            Integer openStops,
            Integer positions,
            Integer proved,
            Instant lastWorkedAt,
            String lastWorkedBy,
            String picture) {
        /** Whether more was booked than its summary knows. */
        boolean isBehind() {
            return summarised == null || summarised < revision;
        }
    }

    /** The rows of that page of the table. */
    List<Row> rows(String who, Asked asked) {
        return query(
                        Row.class,
                        COLUMNS,
                        who,
                        asked,
                        " order by " + nearest(asked) + asked.order().by + "j.openedAt desc, j.id")
                .setFirstResult(asked.page() * PAGE)
                .setMaxResults(PAGE)
                .getResultList();
    }

    /** How many jobs there are on all its pages. */
    long count(String who, Asked asked) {
        return query(Long.class, "select count(j)", who, asked, "").getSingleResult();
    }

    private <T> TypedQuery<T> query(Class<T> type, String select, String who, Asked asked, String behind) {
        Map<String, String> values = new LinkedHashMap<>();
        values.put("who", who);
        StringBuilder text = new StringBuilder(select).append(FROM).append(asked.filter().condition);
        if (asked.filter() == Filter.MINE) {
            values.put("mine", "% " + escaped(who) + " %");
        }
        List<String> words = words(asked.words());
        for (int i = 0; i < words.size(); i++) {
            text.append(" and (s.searched like :word%d or lower(j.title) like :word%d)".formatted(i, i));
            values.put("word" + i, "%" + escaped(words.get(i)) + "%");
        }
        TypedQuery<T> query = database.createQuery(text.append(behind).toString(), type);
        values.forEach(query::setParameter);
        return query;
    }

    /** Jobs whose name has all the words come before those that have them in their marks. */
    private static String nearest(Asked asked) {
        StringBuilder all = new StringBuilder();
        for (int i = 0; i < words(asked.words()).size(); i++) {
            all.append(i == 0 ? "case when " : " and ")
                    .append("lower(j.title) like :word")
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
