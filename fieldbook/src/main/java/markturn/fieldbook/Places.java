package markturn.fieldbook;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Which entry's reading stands where, both ways. It does not change; one that is longer by a reading shares the tables of the one before,
 * so that a further reading does not copy thousands.
 */
final class Places {
    static final Places NONE = new Places(new Table(Map.of()), Map.of());

    /** So many readings stand beside a shared table before a new one is made. */
    private static final int MOST_BESIDE = 64;

    private final Table table;
    private final Map<String, ReadingPlace> beside;

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

    private Places(Table table, Map<String, ReadingPlace> beside) {
        this.table = table;
        this.beside = beside;
    }

    static Places of(Map<String, ReadingPlace> places) {
        return new Places(new Table(Map.copyOf(places)), Map.of());
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
            return new Places(table, longer);
        }
        longer.putAll(table.places);
        return of(longer);
    }

    /** Where the reading of that key stands. */
    Optional<ReadingPlace> find(String key) {
        ReadingPlace found = beside.get(key);
        return Optional.ofNullable(found == null ? table.places.get(key) : found);
    }

    boolean holds(String key) {
        return find(key).isPresent();
    }

    /** The key of the reading that stands there. */
    Optional<String> keyOf(ReadingPlace place) {
        return beside.entrySet().stream()
                .filter(e -> e.getValue().equals(place))
                .map(Map.Entry::getKey)
                .findFirst()
                .or(() -> Optional.ofNullable(table.keyOf(place)));
    }
}
