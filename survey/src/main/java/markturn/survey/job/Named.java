package markturn.survey.job;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * A list that does not change and whose elements are found by name without looking through it. Where a name is used twice, the first. One
 * that is longer by a few elements shares the one before, with its index.
 */
public final class Named<T> extends AbstractList<T> implements RandomAccess {
    /** So many elements stand beside a shared index before a new one is made. */
    private static final int MOST_BESIDE = 512;

    /** Those that stand in the shared index, and the few behind them. */
    private final List<T> shared;

    private final List<T> behind;
    private final ByName<T> byName;
    private final Map<String, T> beside;
    private final Counted<T> counted;

    /** Finds by name; null where there is none. */
    private interface ByName<T> {
        T get(String name);
    }

    /** How many of the elements that stand in a shared index are of a kind; shared with it. */
    private static final class Counted<T> {
        private final int elements;
        private final Map<Predicate<T>, Integer> counts = new HashMap<>();

        Counted(int elements) {
            this.elements = elements;
        }

        synchronized int of(List<T> all, Predicate<T> kind) {
            Integer known = counts.get(kind);
            if (known == null) {
                known = count(all, 0, elements, kind);
                counts.put(kind, known);
            }
            return known;
        }
    }

    private Named(List<T> shared, List<T> behind, ByName<T> byName, Map<String, T> beside, Counted<T> counted) {
        this.shared = shared;
        this.behind = behind;
        this.byName = byName;
        this.beside = beside;
        this.counted = counted;
    }

    /**
     * How many elements of a list made by {@link #of} are of a kind; of one that grew only what came is looked at.
     *
     * @param kind a constant: what was counted is known again by it
     */
    static <T> int count(List<T> all, Predicate<T> kind) {
        Named<T> named = (Named<T>) all;
        int shared = named.counted.elements;
        return named.counted.of(all, kind) + count(all, shared, all.size(), kind);
    }

    private static <T> int count(List<T> all, int from, int to, Predicate<T> kind) {
        int count = 0;
        for (int i = from; i < to; i++) {
            count += kind.test(all.get(i)) ? 1 : 0;
        }
        return count;
    }

    /** A list whose elements can be found by these names. */
    public static <T> List<T> of(List<T> all, Function<T, String> name) {
        if (all instanceof Named<T>) {
            return all;
        }
        List<T> shared = List.copyOf(all);
        NameIndex<T> index = new NameIndex<>(shared, name);
        ByName<T> byName = asked -> {
            int place = index.place(asked, -1);
            return place < 0 ? null : shared.get(place);
        };
        return new Named<>(shared, List.of(), byName, Map.of(), new Counted<>(shared.size()));
    }

    /**
     * Those of a list made by {@link #of} that have certain names, and those that they name in turn, in the order of the names; laid out only
     * when somebody wants more of it than an element by one of these names.
     *
     * @param other the name of another element that goes with one
     */
    static <T> List<T> part(List<T> all, Set<String> names, Function<T, Optional<String>> other) {
        Part<T> part = new Part<>(all, names, other);
        List<T> elements = new AbstractList<>() {
            @Override
            public T get(int index) {
                return part.laidOut().get(index);
            }

            @Override
            public int size() {
                return part.laidOut().size();
            }
        };
        return new Named<>(List.of(), elements, part, Map.of(), new Counted<>(0));
    }

    /** Some of a list by their names. */
    private static final class Part<T> implements ByName<T> {
        private final List<T> all;
        private final Set<String> names;
        private final Function<T, Optional<String>> other;
        private Map<String, T> byName;
        private List<T> elements;

        Part(List<T> all, Set<String> names, Function<T, Optional<String>> other) {
            this.all = all;
            this.names = names;
            this.other = other;
        }

        @Override
        public T get(String name) {
            return names.contains(name) ? Named.get(all, name) : byName().get(name);
        }

        private Map<String, T> byName() {
            if (byName == null) {
                byName = new LinkedHashMap<>();
                for (String name : names) {
                    T named = Named.get(all, name);
                    if (named != null) {
                        byName.put(name, named);
                        other.apply(named).ifPresent(of -> {
                            T with = Named.get(all, of);
                            if (with != null) {
                                byName.put(of, with);
                            }
                        });
                    }
                }
            }
            return byName;
        }

        List<T> laidOut() {
            if (elements == null) {
                elements = List.copyOf(byName().values());
            }
            return elements;
        }
    }

    /** The same list with a few elements more. */
    public static <T> List<T> plus(List<T> all, List<T> more, Function<T, String> name) {
        if (!(all instanceof Named<T> before) || before.behind.size() + more.size() > MOST_BESIDE) {
            List<T> longer = new ArrayList<>(all.size() + more.size());
            longer.addAll(all);
            longer.addAll(more);
            return of(longer, name);
        }
        List<T> behind = new ArrayList<>(before.behind.size() + more.size());
        behind.addAll(before.behind);
        behind.addAll(more);
        Map<String, T> beside = new HashMap<>(before.beside);
        for (T each : more) {
            if (before.byName.get(name.apply(each)) == null) {
                beside.putIfAbsent(name.apply(each), each);
            }
        }
        return new Named<>(before.shared, behind, before.byName, beside, before.counted);
    }

    /** The element of that name in a list made by {@link #of}. */
    public static <T> Optional<T> find(List<T> all, String name) {
        return Optional.ofNullable(get(all, name));
    }

    /** The same without a wrapper, for what is asked thousands of times; null where there is none. */
    static <T> T get(List<T> all, String name) {
        Named<T> named = (Named<T>) all;
        T found = named.byName.get(name);
        return found != null || named.beside.isEmpty() ? found : named.beside.get(name);
    }

    /**
     * Whether a list is another one, or that with elements put behind: every name that was found is found with the same element.
     *
     * @return false also where that would have to be looked through
     */
    public static <T> boolean isGrown(List<T> longer, List<T> before) {
        if (longer == before) {
            return true;
        }
        return longer instanceof Named<T> now
                && before instanceof Named<T> then
                && now.byName == then.byName
                && then.beside.entrySet().stream().allMatch(e -> now.beside.get(e.getKey()) == e.getValue());
    }

    @Override
    public T get(int index) {
        int first = shared.size();
        return index < first ? shared.get(index) : behind.get(index - first);
    }

    @Override
    public int size() {
        return shared.size() + behind.size();
    }

    /** Copied as a whole: whoever changes one element of a hundred thousand begins with a copy. */
    @Override
    public Object[] toArray() {
        Object[] all = Arrays.copyOf(shared.toArray(), size(), Object[].class);
        for (int i = shared.size(); i < all.length; i++) {
            all[i] = behind.get(i - shared.size());
        }
        return all;
    }
}
