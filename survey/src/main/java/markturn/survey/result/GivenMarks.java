package markturn.survey.result;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import markturn.survey.job.Mark;
import markturn.survey.job.NameIndex;
import markturn.survey.job.Named;

/**
 * The marks of a job before anything was measured: each once, without its other names, at its given place where it has one. A job may
 * hold a hundred thousand that came in with a file and that nobody sights; what they are is therefore laid out once, and a job with a few
 * marks more shares it. It does not change.
 */
public final class GivenMarks {
    /** Of no job. */
    public static final GivenMarks NONE = of(List.of(), false);

    /** So many marks stand behind the shared ones before all are laid out anew. */
    private static final int MOST_BEHIND = 512;

    private final List<Mark> marks;
    private final boolean planOnly;
    private final Table shared;
    private final Table behind;

    /** Some of the marks, in the job's order. */
    private static final class Table {
        private final int marks;
        private final List<Mark> listed = new ArrayList<>();
        /** Each of those as it was given; null where it was given no coordinates, as nearly all that were only sighted. */
        private final List<MeasuredMark> given = new ArrayList<>();

        private final NameIndex<Mark> places;
        /** Apart from the places, since it is asked for every sight: of most jobs it holds a handful. */
        private final Map<String, Position> held = new HashMap<>();

        private final List<Mark> constructed = new ArrayList<>();
        private final List<Mark> disturbed = new ArrayList<>();
        /** Where new control stands among those listed. */
        private final BitSet newControl = new BitSet();

        private PlaceIndex index;

        Table(List<Mark> marks, boolean planOnly) {
            this.marks = marks.size();
            for (Mark mark : marks) {
                if (mark.by().isPresent()) {
                    constructed.add(mark);
                }
                if (mark.found().isPresent() && mark.found().get() != Mark.Found.UNDISTURBED) {
                    disturbed.add(mark);
                }
                if (mark.sameAs().isEmpty()) {
                    newControl.set(listed.size(), mark.kind() == Mark.Kind.NEW);
                    Optional<Position> at = mark.given().map(Position::held).map(p -> planOnly ? p.planOnly() : p);
                    at.ifPresent(p -> held.put(mark.name(), p));
                    listed.add(mark);
                    given.add(at.isPresent() ? new MeasuredMark(mark, at, Optional.empty(), Optional.empty()) : null);
                }
            }
            places = new NameIndex<>(listed, Mark::name);
        }

        Stream<MeasuredMark> held() {
            return given.stream().filter(Objects::nonNull);
        }

        /** The mark at a place as it was given. */
        MeasuredMark at(int place) {
            MeasuredMark held = given.get(place);
            return held == null
                    ? new MeasuredMark(listed.get(place), Optional.empty(), Optional.empty(), Optional.empty())
                    : held;
        }

        Position heldAt(int place) {
            MeasuredMark held = given.get(place);
            return held == null ? null : held.place();
        }

        synchronized PlaceIndex index() {
            if (index == null) {
                index = new PlaceIndex(held().toList());
            }
            return index;
        }
    }

    private GivenMarks(List<Mark> marks, boolean planOnly, Table shared, Table behind) {
        this.marks = marks;
        this.planOnly = planOnly;
        this.shared = shared;
        this.behind = behind;
    }

    /**
     * Those of a job.
     *
     * @param planOnly whether elevations are left aside
     */
    public static GivenMarks of(List<Mark> marks, boolean planOnly) {
        return new GivenMarks(marks, planOnly, new Table(marks, planOnly), new Table(List.of(), planOnly));
    }

    /** Those of a job that may be this one with some marks behind: what is the same is shared. */
    public GivenMarks then(List<Mark> longer, boolean planOnlyNow) {
        if (longer == marks && planOnly == planOnlyNow) {
            return this;
        }
        boolean shares =
                planOnly == planOnlyNow && longer.size() - shared.marks <= MOST_BEHIND && Named.isGrown(longer, marks);
        return shares
                ? new GivenMarks(
                        longer, planOnly, shared, new Table(longer.subList(shared.marks, longer.size()), planOnly))
                : of(longer, planOnlyNow);
    }

    /** Where a mark is held; null where it has no given coordinates. */
    public Position held(String mark) {
        Position held = shared.held.get(mark);
        return held == null ? behind.held.get(mark) : held;
    }

    /** Those that are held, with their places, in the job's order. */
    Stream<MeasuredMark> held() {
        return Stream.concat(shared.held(), behind.held());
    }

    /** Those that are placed from others. */
    public List<Mark> constructed() {
        if (behind.constructed.isEmpty()) {
            return Collections.unmodifiableList(shared.constructed);
        }
        List<Mark> all = new ArrayList<>(shared.constructed);
        all.addAll(behind.constructed);
        return all;
    }

    /** Those that were found otherwise than undisturbed. */
    List<Mark> disturbed() {
        return Stream.concat(shared.disturbed.stream(), behind.disturbed.stream())
                .toList();
    }

    /** Each mark once, in the job's order: the one at a place, as it was given. */
    MeasuredMark listed(int place) {
        int before = shared.listed.size();
        return place < before ? shared.at(place) : behind.at(place - before);
    }

    /** Where the mark at a place of {@link #listed} is held; null as {@link #held}. */
    Position heldAt(int place) {
        int before = shared.listed.size();
        return place < before ? shared.heldAt(place) : behind.heldAt(place - before);
    }

    /** The places of {@link #listed} at which new control stands. */
    BitSet newControl() {
        BitSet all = (BitSet) shared.newControl.clone();
        int before = shared.listed.size();
        for (int place = behind.newControl.nextSetBit(0); place >= 0; place = behind.newControl.nextSetBit(place + 1)) {
            all.set(before + place);
        }
        return all;
    }

    /** How many of {@link #listed}, from the first, are the very same as of others. */
    int sharedWith(GivenMarks others) {
        return shared == others.shared ? shared.listed.size() : 0;
    }

    /** The name of the mark at a place of {@link #listed}. */
    String nameAt(int place) {
        return listed(place).name();
    }

    /** How many marks {@link #listed} has. */
    int size() {
        return shared.listed.size() + behind.listed.size();
    }

    /** Where in {@link #listed} a mark stands; the other number where it does not. */
    int placeOr(String mark, int none) {
        int place = shared.places.place(mark, -1);
        if (place >= 0) {
            return place;
        }
        int beside = behind.places.place(mark, -1);
        return beside < 0 ? none : beside + shared.listed.size();
    }

    /**
     * Looks at held marks around a place.
     *
     * @param radius metres
     * @param look is shown one after the other; answers the radius that is of interest from then on
     */
    public void around(double northing, double easting, double radius, PlaceIndex.Look look) {
        double left = shared.index().around(northing, easting, radius, look);
        behind.index().around(northing, easting, left, look);
    }
}
