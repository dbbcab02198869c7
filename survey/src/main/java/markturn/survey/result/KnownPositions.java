package markturn.survey.result;

import java.util.AbstractMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/**
 * Positions by the true names of marks: those that were given, shared and never changed, and over them what came to be known. A position
 * that is taken away is one that came to be known.
 */
public final class KnownPositions extends AbstractMap<String, Position> {
    private final GivenMarks given;
    private final Map<String, Position> own = new LinkedHashMap<>();

    public KnownPositions(GivenMarks given) {
        this.given = given;
    }

    @Override
    public Position get(Object mark) {
        Position known = own.get(mark);
        return known == null && mark instanceof String name ? given.held(name) : known;
    }

    @Override
    public boolean containsKey(Object mark) {
        return get(mark) != null;
    }

    @Override
    public Position put(String mark, Position position) {
        Position before = get(mark);
        own.put(mark, position);
        return before;
    }

    @Override
    public Position remove(Object mark) {
        return own.remove(mark);
    }

    /** Marks whose position is not simply the given one. */
    Set<String> found() {
        return own.keySet();
    }

    /** All of them; the given ones first, in the job's order. A copy. */
    @Override
    public Set<Entry<String, Position>> entrySet() {
        Map<String, Position> all = new LinkedHashMap<>();
        given.held().forEach(mark -> all.put(mark.name(), mark.position().get()));
        all.putAll(own);
        return all.entrySet();
    }
}
