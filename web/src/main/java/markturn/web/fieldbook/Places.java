package markturn.web.fieldbook;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import markturn.web.fieldbook.Book.Place;

/**
 * Which entry's reading stands where, both ways. It does not change; one that is longer by a reading shares the tables of the one before,
 * so that a further reading does not copy thousands.
 */
final class Places {
    static final Places NONE = new Places(new Table(Map.of()), Map.of());

    /** So many readings stand beside a shared table before a new one is made. */
    private static final int MOST_BESIDE = 64;

    private final Table table;
    private final Map<String, Place> beside;

    /** Keys to places, and back as soon as somebody asks. */
    private static final class Table {
        private final Map<String, Place> places;
        private Map<Place, String> keys;

        Table(Map<String, Place> places) {
            this.places = places;
        }

        synchronized String keyOf(Place place) {
            if (keys == null) {
                keys = inverse(places);
            }
            return keys.get(place);
        }
    }

    private Places(Table table, Map<String, Place> beside) {
        this.table = table;
        this.beside = beside;
    }

    static Places of(Map<String, Place> places) {
        return new Places(new Table(Map.copyOf(places)), Map.of());
    }

    private static Map<Place, String> inverse(Map<String, Place> places) {
        Map<Place, String> keys = new HashMap<>(2 * places.size());
        places.forEach((key, place) -> keys.putIfAbsent(place, key));
        return keys;
    }

    Places plus(String key, Place place) {
        Map<String, Place> longer = new HashMap<>(beside);
        longer.put(key, place);
        if (longer.size() < MOST_BESIDE) {
            return new Places(table, longer);
        }
        longer.putAll(table.places);
        return of(longer);
    }

    /** Where the reading of that key stands. */
    Optional<Place> find(String key) {
        Place found = beside.get(key);
        return Optional.ofNullable(found == null ? table.places.get(key) : found);
    }

    boolean holds(String key) {
        return find(key).isPresent();
    }

    /** The key of the reading that stands there. */
    Optional<String> keyOf(Place place) {
        return beside.entrySet().stream()
                .filter(e -> e.getValue().equals(place))
                .map(Map.Entry::getKey)
                .findFirst()
                .or(() -> Optional.ofNullable(table.keyOf(place)));
    }
}
