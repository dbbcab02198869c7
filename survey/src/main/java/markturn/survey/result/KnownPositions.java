package markturn.survey.result;

import java.util.AbstractMap;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Positions by the true names of marks: those that were given, shared and never changed, and over them what came to be known, with where
 * that came from. A position that is taken away is one that came to be known.
 */
public final class KnownPositions extends AbstractMap<String, Position> {
    private final GivenMarks given;
    private final ByMark<Position> own;
    private final ByMark<String> from;
    /** The marks of {@code own}, as they came to be known. */
    private final List<String> inOrder = new ArrayList<>();

    public KnownPositions(GivenMarks given) {
        this.given = given;
        this.own = new ByMark<>(given);
        this.from = new ByMark<>(given);
    }

    @Override
    public Position get(Object mark) {
        if (!(mark instanceof String name)) {
            return null;
        }
        Position known = own.get(name);
        return known == null ? given.held(name) : known;
    }

    /** Where in the job's list of marks, without other names, one stands: as long as that only grows; -1 where it does not. */
    public int placeOf(String mark) {
        return given.placeOr(mark, -1);
    }

    /** The position of the mark at such a place; null where it has none. */
    public Position at(int place) {
        Position known = own.at(place);
        return known == null ? given.heldAt(place) : known;
    }

    @Override
    public boolean containsKey(Object mark) {
        return get(mark) != null;
    }

    @Override
    public Position put(String mark, Position position) {
        Position before = own.put(mark, position);
        if (before == null) {
            inOrder.add(mark);
            return given.held(mark);
        }
        return before;
    }

    /** Notes where a mark's position came from: a setup, or what else gave it. */
    public void comesFrom(String mark, String source) {
        from.put(mark, source);
    }

    /** Where it came from; null where it was given or is not known. */
    public String from(String mark) {
        return from.get(mark);
    }

    /** The position with where it came from. */
    @Override
    public Position remove(Object mark) {
        if (!(mark instanceof String name)) {
            return null;
        }
        from.remove(name);
        Position before = own.remove(name);
        if (before != null) {
            inOrder.remove(name);
        }
        return before;
    }

    /** The places in the job's list of marks whose position is not simply the given one. */
    BitSet found() {
        return own.places();
    }

    /** What came to be known of the mark at such a place. */
    Position foundAt(int place) {
        return own.at(place);
    }

    /** Where that came from; null as {@link #from}. */
    String fromAt(int place) {
        return from.at(place);
    }

    /** All of them; the given ones first, in the job's order. A copy. */
    @Override
    public Set<Entry<String, Position>> entrySet() {
        Map<String, Position> all = new LinkedHashMap<>();
        given.held().forEach(mark -> all.put(mark.name(), mark.position().get()));
        inOrder.forEach(mark -> all.put(mark, own.get(mark)));
        return all.entrySet();
    }
}
