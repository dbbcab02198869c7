package markturn.survey.result;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import markturn.survey.job.Mark;

/**
 * The marks of a job with what was measured of them: the given ones, shared, and those of which more is known than was given. It does not
 * change.
 */
public final class MeasuredMarks extends AbstractList<MeasuredMark> implements RandomAccess {
    /** Of no job. */
    public static final MeasuredMarks NONE = new MeasuredMarks();

    private final GivenMarks given;
    private final KnownPositions known;
    private final boolean adjusted;
    /** Those of the job's list of which more is known than was given. */
    private final Sparse<MeasuredMark> more;
    /** Those behind its list. */
    private final List<MeasuredMark> also;

    private final List<MeasuredMark> measured;
    private final List<MeasuredMark> newControl = new ArrayList<>();
    private final List<MeasuredMark> fixed = new ArrayList<>();
    private final List<MeasuredMark> intersected = new ArrayList<>();
    private final Map<String, MeasuredMark> unlisted = new HashMap<>();

    private MeasuredMarks() {
        this.given = GivenMarks.NONE;
        this.known = new KnownPositions(given);
        this.adjusted = false;
        this.more = new Sparse<>(0);
        this.also = List.of();
        this.measured = List.of();
    }

    /**
     * @param adjustedBy by which run coordinates of those were adopted
     * @param also marks that the job does not list
     * @param before what was measured of the job's marks before, or {@link #NONE}: what is the same is taken over
     */
    public MeasuredMarks(
            GivenMarks given,
            KnownPositions known,
            Map<String, String> adjustedBy,
            List<MeasuredMark> also,
            MeasuredMarks before) {
        this.given = given;
        this.known = known;
        this.adjusted = !adjustedBy.isEmpty();
        this.also = List.copyOf(also);
        int same = adjusted || before.adjusted ? 0 : given.sharedWith(before.given);
        Unchanged first = Unchanged.of(known, before.known, same);
        this.more = new Sparse<>(given.size(), before.more, first.places());
        BitSet places = known.found();
        List<MeasuredMark> found = new ArrayList<>(places.cardinality() + also.size());
        found.addAll(before.measured.subList(0, first.found()));
        fixed.addAll(before.fixed.subList(0, first.fixed()));
        intersected.addAll(before.intersected.subList(0, first.intersected()));
        for (int place = places.nextSetBit(first.places()); place >= 0; place = places.nextSetBit(place + 1)) {
            MeasuredMark now = place < same && known.isAsIn(before.known, place)
                    ? before.get(place)
                    : measured(given.listed(place).mark(), place, adjustedBy);
            more.put(place, now);
            found.add(now);
            String source = known.fromAt(place);
            if (source == null || adjusted && now.adjustedBy().isPresent()) {
                fixed.add(now);
            } else if (source.equals(MeasuredSetup.SEVERAL)) {
                intersected.add(now);
            }
        }
        BitSet ofControl = given.newControl();
        ofControl.and(places);
        for (int place = ofControl.nextSetBit(0); place >= 0; place = ofControl.nextSetBit(place + 1)) {
            newControl.add(more.at(place));
        }
        also.forEach(mark -> {
            unlisted.put(mark.name(), mark);
            found.add(mark);
            newControl.add(mark);
            if (mark.position().isPresent()
                    && (mark.from().isEmpty() || mark.adjustedBy().isPresent())) {
                fixed.add(mark);
            }
        });
        this.measured = Collections.unmodifiableList(found);
    }

    /**
     * The first marks of the list, up to the first of which something else is known than before: of most computations all but the last few.
     *
     * @param places how many of the list
     * @param found how many of those more is known of than was given; {@code fixed} and {@code intersected} of these
     */
    private record Unchanged(int places, int found, int fixed, int intersected) {
        /** @param shared so many marks of the list are the same */
        static Unchanged of(KnownPositions now, KnownPositions before, int shared) {
            BitSet found = now.found();
            BitSet foundBefore = before.found();
            int until = 0;
            int count = 0;
            int fixed = 0;
            int intersected = 0;
            for (int place = found.nextSetBit(0); place >= 0 && place < shared; place = found.nextSetBit(until)) {
                if (foundBefore.nextSetBit(until) != place || !now.isAsIn(before, place)) {
                    break;
                }
                until = place + 1;
                count++;
                String source = now.fromAt(place);
                if (source == null) {
                    fixed++;
                } else if (source.equals(MeasuredSetup.SEVERAL)) {
                    intersected++;
                }
            }
            return new Unchanged(until, count, fixed, intersected);
        }
    }

    private MeasuredMark measured(Mark mark, int place, Map<String, String> adjustedBy) {
        return new MeasuredMark(
                mark,
                Optional.of(known.foundAt(place)),
                Optional.ofNullable(known.fromAt(place)),
                adjusted ? Optional.ofNullable(adjustedBy.get(mark.name())) : Optional.empty());
    }

    /** The mark of that true name. */
    public Optional<MeasuredMark> find(String mark) {
        int place = given.placeOr(mark, -1);
        return place >= 0 ? Optional.of(get(place)) : Optional.ofNullable(unlisted.get(mark));
    }

    /** Those of which more is known than was given, in the job's order; the others only have their given coordinates, or none. */
    public List<MeasuredMark> measured() {
        return measured;
    }

    /** The new control among those, and stations the job does not list. */
    public List<MeasuredMark> newControl() {
        return Collections.unmodifiableList(newControl);
    }

    /** Those of {@link #measured} that no setup carried, or that were adopted. */
    public List<MeasuredMark> fixed() {
        return Collections.unmodifiableList(fixed);
    }

    /** Those that several setups placed together. */
    public List<MeasuredMark> intersected() {
        return Collections.unmodifiableList(intersected);
    }

    /** Marks of the job's list that were found otherwise than undisturbed, with their other names. */
    public List<Mark> disturbed() {
        return given.disturbed();
    }

    /** Whether of a mark that {@link #givenAround} showed no more is known than was given. */
    public boolean isAsGiven(MeasuredMark mark) {
        int place = given.placeOr(mark.name(), -1);
        return place >= 0 && get(place) == mark;
    }

    /** Where in the list a mark stands that the job lists; behind all of them for another one. */
    public int placeOf(String mark) {
        return given.placeOr(mark, size());
    }

    /** {@link GivenMarks#around}, with the marks as they were given. */
    public void givenAround(double northing, double easting, double radius, PlaceIndex.Look look) {
        given.around(northing, easting, radius, look);
    }

    @Override
    public MeasuredMark get(int index) {
        if (index >= given.size()) {
            return also.get(index - given.size());
        }
        MeasuredMark known = more.at(index);
        return known == null ? given.listed(index) : known;
    }

    @Override
    public int size() {
        return given.size() + also.size();
    }
}
