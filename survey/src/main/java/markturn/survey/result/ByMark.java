package markturn.survey.result;

import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;

/**
 * Something of marks, by their true names: of those the job lists beside its list, so that a name is looked up once and nothing is laid out
 * by name anew for every computation; of the others in a map.
 */
final class ByMark<T> {
    private final GivenMarks given;
    private final Sparse<T> listed;
    private final BitSet places = new BitSet();
    private final Map<String, T> others = new HashMap<>();

    ByMark(GivenMarks given) {
        this.given = given;
        this.listed = new Sparse<>(given.size());
    }

    /** Null where there is nothing. */
    T get(String mark) {
        int place = given.placeOr(mark, -1);
        return place < 0 ? others.get(mark) : at(place);
    }

    /** The same of the mark at a place of the list. */
    T at(int place) {
        return listed.at(place);
    }

    /** What was there before; null where there was nothing. */
    T put(String mark, T value) {
        int place = given.placeOr(mark, -1);
        if (place < 0) {
            return others.put(mark, value);
        }
        T before = at(place);
        listed.put(place, value);
        places.set(place);
        return before;
    }

    /** The same of the mark at a place of the list, which had nothing. */
    void putAt(int place, T value) {
        listed.put(place, value);
        places.set(place);
    }

    /** The same. */
    T remove(String mark) {
        int place = given.placeOr(mark, -1);
        if (place < 0) {
            return others.remove(mark);
        }
        T before = at(place);
        listed.put(place, null);
        places.clear(place);
        return before;
    }

    /** The places of the list of which there is something; may not be changed. */
    BitSet places() {
        return places;
    }
}
