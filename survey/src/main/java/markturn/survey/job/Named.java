package markturn.survey.job;

import java.util.AbstractList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.function.Function;

/** A list that does not change and whose elements are found by name without looking through it. Where a name is used twice, the first. */
public final class Named<T> extends AbstractList<T> implements RandomAccess {
    private final List<T> all;
    private final Map<String, T> byName = new HashMap<>();

    private Named(List<T> all, Function<T, String> name) {
        this.all = List.copyOf(all);
        this.all.forEach(each -> byName.putIfAbsent(name.apply(each), each));
    }

    /** A list whose elements can be found by these names. */
    public static <T> List<T> of(List<T> all, Function<T, String> name) {
        return all instanceof Named<T> ? all : new Named<>(all, name);
    }

    /** The element of that name in a list made by {@link #of}. */
    public static <T> Optional<T> find(List<T> all, String name) {
        return Optional.ofNullable(get(all, name));
    }

    /** The same without a wrapper, for what is asked thousands of times; null where there is none. */
    static <T> T get(List<T> all, String name) {
        return ((Named<T>) all).byName.get(name);
    }

    @Override
    public T get(int index) {
        return all.get(index);
    }

    @Override
    public int size() {
        return all.size();
    }
}
