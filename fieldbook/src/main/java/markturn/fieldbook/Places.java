package markturn.fieldbook;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import markturn.survey.job.Job;
import markturn.survey.job.NameIndex;

/**
 * Which entry's reading stands where, both ways. It does not change; one that is longer by a reading shares the tables of the one before,
 * so that a further reading does not copy thousands.
 */
final class Places {
    static final Places NONE = new Places(Opened.NONE, Table.NONE, Map.of());

    private static final int[] NOWHERE = {};

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

    /** Keys to places, and back as soon as somebody asks: of tens of thousands, so without an object for each. */
    private static final class Table {
        static final Table NONE = new Table(new String[0], new String[0], new int[0]);

        private final String[] keys;
        /** Name of the setup, and place among its readings, of each key. */
        private final String[] setups;

        private final int[] indices;
        private final NameIndex<String> byKey;
        private Map<String, int[]> bySetup;

        private Table(String[] keys, String[] setups, int[] indices) {
            this.keys = keys;
            this.setups = setups;
            this.indices = indices;
            this.byKey = new NameIndex<>(Arrays.asList(keys), key -> key);
        }

        /** The same with more. */
        Table plus(Map<String, ReadingPlace> more) {
            int at = keys.length;
            String[] allKeys = Arrays.copyOf(keys, at + more.size());
            String[] allSetups = Arrays.copyOf(setups, at + more.size());
            int[] allIndices = Arrays.copyOf(indices, at + more.size());
            for (var each : more.entrySet()) {
                allKeys[at] = each.getKey();
                allSetups[at] = each.getValue().setup();
                allIndices[at] = each.getValue().index();
                at++;
            }
            return new Table(allKeys, allSetups, allIndices);
        }

        Optional<ReadingPlace> find(String key) {
            int at = byKey.place(key, -1);
            return at < 0 ? Optional.empty() : Optional.of(new ReadingPlace(setups[at], indices[at]));
        }

        synchronized Optional<String> keyOf(ReadingPlace place) {
            if (bySetup == null) {
                bySetup = bySetup();
            }
            int[] lines = bySetup.getOrDefault(place.setup(), NOWHERE);
            boolean known = place.index() >= 0 && place.index() < lines.length && lines[place.index()] >= 0;
            return known ? Optional.of(keys[lines[place.index()]]) : Optional.empty();
        }

        /** For each reading of a setup where its key stands; below zero where it has none here. */
        private Map<String, int[]> bySetup() {
            Map<String, Integer> lengths = new HashMap<>();
            for (int i = 0; i < keys.length; i++) {
                lengths.merge(setups[i], indices[i] + 1, Math::max);
            }
            Map<String, int[]> lines = new HashMap<>();
            lengths.forEach((setup, length) -> {
                int[] none = new int[length];
                Arrays.fill(none, -1);
                lines.put(setup, none);
            });
            for (int i = keys.length - 1; i >= 0; i--) {
                lines.get(setups[i])[indices[i]] = i;
            }
            return lines;
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
        return new Places(new Opened(key, readings), Table.NONE, Map.of());
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
        return new Places(opened, table.plus(longer), Map.of());
    }

    /** Where the reading of that key stands. */
    Optional<ReadingPlace> find(String key) {
        ReadingPlace found = beside.get(key);
        return Optional.ofNullable(found).or(() -> table.find(key)).or(() -> opened.find(key));
    }

    /** The key of the reading that stands there. */
    Optional<String> keyOf(ReadingPlace place) {
        return beside.entrySet().stream()
                .filter(e -> e.getValue().equals(place))
                .map(Map.Entry::getKey)
                .findFirst()
                .or(() -> table.keyOf(place))
                .or(() -> opened.keyOf(place));
    }
}
