package markturn.fieldbook;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import markturn.survey.job.Named;

/**
 * A list of a job while entries are laid on it. It is copied when it is first changed; elements are found by name without looking through
 * it.
 */
final class ListDraft<T> {
    /** So many elements behind share the index of the list before; with more a new one is made. */
    private static final int FEW = 4;

    private final List<T> before;
    private final Function<T, String> nameOf;
    /** What was put behind the list before, while nothing in it was changed. */
    private final List<T> behind = new ArrayList<>();
    /** A list of its own, as soon as something was changed or much was put behind; null until then. */
    private List<T> all;

    private Map<String, Integer> places;

    ListDraft(List<T> before, Function<T, String> nameOf) {
        this.before = before;
        this.nameOf = nameOf;
    }

    void add(T element) {
        if (all == null && before instanceof Named && behind.size() < FEW) {
            behind.add(element);
            return;
        }
        own();
        places.putIfAbsent(nameOf.apply(element), all.size());
        all.add(element);
    }

    Optional<T> find(String name) {
        if (all == null && before instanceof Named) {
            return Named.find(before, name)
                    .or(() -> behind.stream()
                            .filter(element -> nameOf.apply(element).equals(name))
                            .findFirst());
        }
        own();
        return Optional.ofNullable(places.get(name)).map(all::get);
    }

    /** Changes the element of that name; where there is none, nothing. */
    void replace(String name, UnaryOperator<T> change) {
        own();
        Integer place = places.get(name);
        if (place != null) {
            replaceAt(place, change);
        }
    }

    /** Changes the element at a place; where there is none, nothing. */
    void replaceAt(int place, UnaryOperator<T> change) {
        own();
        if (place >= 0 && place < all.size()) {
            all.set(place, change.apply(all.get(place)));
        }
    }

    void remove(String name) {
        removeIf(element -> nameOf.apply(element).equals(name));
    }

    void removeIf(Predicate<T> which) {
        own();
        if (all.removeIf(which)) {
            index();
        }
    }

    private void own() {
        if (all == null) {
            all = new ArrayList<>(before);
            all.addAll(behind);
            index();
        }
    }

    private void index() {
        places = new HashMap<>(2 * all.size());
        for (int i = 0; i < all.size(); i++) {
            places.putIfAbsent(nameOf.apply(all.get(i)), i);
        }
    }

    /** The list as it is now. */
    List<T> done() {
        if (all != null) {
            return all;
        }
        return behind.isEmpty() ? before : Named.plus(before, behind, nameOf);
    }
}
