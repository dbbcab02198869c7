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
    private List<T> all;
    private Map<String, Integer> places;
    private int behind;
    private boolean onlyLonger = true;

    ListDraft(List<T> before, Function<T, String> nameOf) {
        this.before = before;
        this.nameOf = nameOf;
    }

    void add(T element) {
        own();
        places.putIfAbsent(nameOf.apply(element), all.size());
        all.add(element);
        behind++;
    }

    Optional<T> find(String name) {
        if (all == null && before instanceof Named) {
            return Named.find(before, name);
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
            onlyLonger = false;
        }
    }

    void remove(String name) {
        removeIf(element -> nameOf.apply(element).equals(name));
    }

    void removeIf(Predicate<T> which) {
        own();
        if (all.removeIf(which)) {
            onlyLonger = false;
            index();
        }
    }

    private void own() {
        if (all == null) {
            all = new ArrayList<>(before);
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
        if (all == null) {
            return before;
        }
        if (!(before instanceof Named) || !onlyLonger || behind > FEW) {
            return all;
        }
        List<T> longer = before;
        for (T element : all.subList(before.size(), all.size())) {
            longer = Named.plus(longer, element, nameOf);
        }
        return longer;
    }
}
