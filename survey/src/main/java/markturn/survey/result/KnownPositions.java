package markturn.survey.result;

import java.util.AbstractMap;
import java.util.ArrayList;
import java.util.Arrays;
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
    /** The marks of {@code own} as they came to be known: places in the job's list, or below zero those of names that it does not hold. */
    private int[] inOrder = new int[64];

    /** How many of these are in use. */
    private int noted;

    private final List<String> unlisted = new ArrayList<>();

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
            note(orderOf(mark));
            return given.held(mark);
        }
        return before;
    }

    /**
     * A mark of the job's list that had no position comes to have one.
     *
     * @param place of the mark in the list
     * @param source where it came from
     */
    public void found(int place, Position position, String source) {
        own.putAt(place, position);
        from.putAt(place, source);
        note(place);
    }

    /** As {@link #inOrder} holds a mark. */
    private int orderOf(String mark) {
        int place = placeOf(mark);
        if (place >= 0) {
            return place;
        }
        if (!unlisted.contains(mark)) {
            unlisted.add(mark);
        }
        return -1 - unlisted.indexOf(mark);
    }

    private void note(int mark) {
        if (noted == inOrder.length) {
            inOrder = Arrays.copyOf(inOrder, 2 * noted);
        }
        inOrder[noted++] = mark;
    }

    private void forget(int mark) {
        int kept = 0;
        for (int i = 0; i < noted; i++) {
            if (inOrder[i] != mark) {
                inOrder[kept++] = inOrder[i];
            }
        }
        noted = kept;
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
            forget(orderOf(name));
        }
        return before;
    }

    /** The places in the job's list of marks whose position is not simply the given one. */
    BitSet found() {
        return own.places();
    }

    /** Whether at such a place the very same came to be known, from the same source, as in others of the same list. */
    boolean isAsIn(KnownPositions others, int place) {
        return own.at(place) == others.own.at(place) && from.at(place) == others.from.at(place);
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
        for (int i = 0; i < noted; i++) {
            String mark = inOrder[i] < 0 ? unlisted.get(-1 - inOrder[i]) : given.nameAt(inOrder[i]);
            all.put(mark, own.get(mark));
        }
        return all.entrySet();
    }
}
