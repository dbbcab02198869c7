package markturn.fieldbook;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import markturn.survey.job.Job;

/**
 * Which entry's reading stands where, both ways. It does not change; one that is longer by a reading shares the tables of the one before,
 * so that a further reading does not copy thousands.
 */
final class Places {
    static final Places NONE = new Places(Opened.NONE, new Table(Map.of()), Map.of());

    /** So many readings stand beside a shared table before a new one is made. */
    private static final int MOST_BESIDE = 64;

    private final Opened opened;
    private final Table table;
    private final Map<String, ReadingPlace> beside;

    /**
     * The readings that a job was opened with: key and place say the same, so that neither is kept.
     *
     * @param key of the entry that opened it
     * @param readings how many each setup had, by name
     */
    private record Opened(String key, Map<String, Integer> readings) {
        static final Opened NONE = new Opened("", Map.of());

        /** More digits than a list has readings. */
        private static final int TOO_LONG = 10;

        Optional<ReadingPlace> find(String line) {
            int cut = line.lastIndexOf('/');
            if (readings.isEmpty() || cut <= key.length() || !line.startsWith(key + "/")) {
                return Optional.empty();
            }
            String setup = line.substring(key.length() + 1, cut);
            String digits = line.substring(cut + 1);
            boolean number = !digits.isEmpty()
                    && digits.length() < TOO_LONG
                    && digits.chars().allMatch(c -> c >= '0' && c <= '9');
            // Asked the other way round, so that 007 is no 7.
            return Optional.of(new ReadingPlace(setup, number ? Integer.parseInt(digits) : -1))
                    .filter(place -> keyOf(place).filter(line::equals).isPresent());
        }

        Optional<String> keyOf(ReadingPlace place) {
            return place.index() >= 0 && place.index() < readings.getOrDefault(place.setup(), 0)
                    ? Optional.of(key + "/" + place.setup() + "/" + place.index())
                    : Optional.empty();
        }
    }

    /** Keys to places, and back as soon as somebody asks. */
    private static final class Table {
        private final Map<String, ReadingPlace> places;
        private Map<ReadingPlace, String> keys;

        Table(Map<String, ReadingPlace> places) {
            this.places = places;
        }

        synchronized String keyOf(ReadingPlace place) {
            if (keys == null) {
                keys = inverse(places);
            }
            return keys.get(place);
        }
    }

    private Places(Opened opened, Table table, Map<String, ReadingPlace> beside) {
        this.opened = opened;
        this.table = table;
        this.beside = beside;
    }

    /** Of the readings that a job is opened with. */
    static Places opened(String key, Job job) {
        Map<String, Integer> readings = new HashMap<>();
        job.setups()
                .forEach(setup -> readings.put(setup.name(), setup.readings().size()));
        return new Places(new Opened(key, readings), NONE.table, Map.of());
    }

    private static Map<ReadingPlace, String> inverse(Map<String, ReadingPlace> places) {
        Map<ReadingPlace, String> keys = new HashMap<>(2 * places.size());
        places.forEach((key, place) -> keys.putIfAbsent(place, key));
        return keys;
    }

    /** The same with more places. */
    Places plus(Map<String, ReadingPlace> more) {
        if (more.isEmpty()) {
            return this;
        }
        Map<String, ReadingPlace> longer = new HashMap<>(beside);
        longer.putAll(more);
        if (longer.size() < MOST_BESIDE) {
            return new Places(opened, table, longer);
        }
        longer.putAll(table.places);
        return new Places(opened, new Table(Map.copyOf(longer)), Map.of());
    }

    /** Where the reading of that key stands. */
    Optional<ReadingPlace> find(String key) {
        ReadingPlace found = beside.get(key);
        return Optional.ofNullable(found == null ? table.places.get(key) : found)
                .or(() -> opened.find(key));
    }

    /** The key of the reading that stands there. */
    Optional<String> keyOf(ReadingPlace place) {
        return beside.entrySet().stream()
                .filter(e -> e.getValue().equals(place))
                .map(Map.Entry::getKey)
                .findFirst()
                .or(() -> Optional.ofNullable(table.keyOf(place)))
                .or(() -> opened.keyOf(place));
    }
}
