package markturn.survey.reduce;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.Predicate;
import markturn.survey.job.Job;
import markturn.survey.job.Longer;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/**
 * The standing readings of a setup in order: which circle each was read on, which make one fix, and where each circle has its zero.
 *
 * <p>A reading without a set number belongs to the circle of the latest numbered reading before it, struck out or not (the circle was on
 * that set), else to set 1. Detail and checks without a set number are shots of their own; two that follow each other on one target on
 * opposite faces are one.
 */
public final class BookedSetup {
    private final List<BookedReading> readings;
    private final List<PolarFix> fixes;
    private final List<PolarFix> onBothFaces;
    private final SortedMap<Integer, Double> zeros;
    private final Function<String, String> trueName;

    public BookedSetup(Job job, Setup setup) {
        this.trueName = job::trueName;
        this.readings = standing(job, setup);
        this.fixes = gather();
        this.onBothFaces = fixes.stream().filter(PolarFix::isOnBothFaces).toList();
        String zero = setup.orientation().zero();
        this.zeros =
                zeros(backsight(zero, r -> r.role() == Reading.Role.BACKSIGHT || r.role() == Reading.Role.FORESIGHT));
    }

    /** The setup of before with a fix more; the constructor gives the same. */
    private BookedSetup(BookedSetup before, Job job, BookedReading shot) {
        this.trueName = job::trueName;
        this.readings = Longer.by(before.readings, shot);
        this.fixes = Longer.by(before.fixes, new PolarFix(List.of(shot), true));
        this.onBothFaces = before.onBothFaces;
        this.zeros = before.zeros;
    }

    /**
     * The same with one reading more, without looking at the others again.
     *
     * @param setup the one that was booked, with readings behind
     * @param place of the first of those: standing, a shot (see {@link #isShot}), to a target that no reading before it has
     */
    public BookedSetup plusShot(Job job, Setup setup, int place) {
        BookedReading shot = BookedReading.of(job, setup, place, circle(setup, place));
        return new BookedSetup(this, job, shot);
    }

    /** On which circle a reading outside the sets was read. */
    private static int circle(Setup setup, int place) {
        for (int before = place; before >= 0; before--) {
            OptionalInt set = setup.readings().get(before).set();
            if (set.isPresent()) {
                return set.getAsInt();
            }
        }
        return 1;
    }

    private static List<BookedReading> standing(Job job, Setup setup) {
        List<BookedReading> standing = new ArrayList<>();
        int circle = 1;
        for (int place = 0; place < setup.readings().size(); place++) {
            Reading reading = setup.readings().get(place);
            circle = reading.set().orElse(circle);
            if (reading.stands()) {
                standing.add(BookedReading.of(job, setup, place, circle));
            }
        }
        return standing;
    }

    private record Key(
            String target,
            Reading.Role role,
            String reflector,
            Optional<MeasuredHeight> height,
            Optional<Reading.Offset> offset,
            OptionalInt shot) {}

    private List<PolarFix> gather() {
        Map<Key, List<BookedReading>> gathered = new LinkedHashMap<>();
        Key open = null;
        for (BookedReading booked : readings) {
            Reading reading = booked.reading();
            if (!isShot(reading)) {
                gathered.computeIfAbsent(key(reading, OptionalInt.empty()), k -> new ArrayList<>())
                        .add(booked);
                open = null;
            } else if (open != null && open.equals(key(reading, open.shot())) && opposite(gathered.get(open), booked)) {
                gathered.get(open).add(booked);
                open = null;
            } else {
                open = key(reading, OptionalInt.of(booked.place()));
                gathered.put(open, new ArrayList<>(List.of(booked)));
            }
        }
        List<PolarFix> inOrder = new ArrayList<>();
        gathered.forEach((key, of) ->
                inOrder.add(new PolarFix(List.copyOf(of), key.shot().isPresent())));
        return List.copyOf(inOrder);
    }

    /** Whether a reading belongs to no set: it is a fix of its own, or one with its neighbour on the other face. */
    public static boolean isShot(Reading reading) {
        return reading.set().isEmpty()
                && (reading.role() == Reading.Role.DETAIL || reading.role() == Reading.Role.CHECK);
    }

    private static Key key(Reading reading, OptionalInt shot) {
        return new Key(
                reading.target(), reading.role(), reading.reflector(), reading.targetHeight(), reading.offset(), shot);
    }

    private static boolean opposite(List<BookedReading> first, BookedReading second) {
        return first.get(0).circle() == second.circle()
                && first.get(0).reading().face() != second.reading().face();
    }

    private static SortedMap<Integer, Double> zeros(Pointings zero) {
        SortedMap<Integer, Double> bySet = new TreeMap<>();
        zero.means().bySet().forEach((set, means) -> bySet.put(set, means.direction()));
        return bySet;
    }

    /** Whether a mark was sighted as a backsight at all. */
    public boolean hasBacksight(String target) {
        String same = trueName.apply(target);
        return readings.stream()
                .anyMatch(b -> b.reading().role() == Reading.Role.BACKSIGHT
                        && trueName.apply(b.reading().target()).equals(same));
    }

    /** Whether a standing reading of a target has the zenith angle of the other face: no distance or height of it means anything. */
    public boolean isOnWrongFace(String target) {
        String same = trueName.apply(target);
        return readings.stream()
                .map(BookedReading::reading)
                .anyMatch(r -> r.zenith().isPresent()
                        && Faces.contradicts(r.face(), r.zenith().get().radians())
                        && trueName.apply(r.target()).equals(same));
    }

    private Pointings backsight(String target, Predicate<Reading> counts) {
        String same = trueName.apply(target);
        return new Pointings(readings.stream()
                .filter(b -> counts.test(b.reading())
                        && trueName.apply(b.reading().target()).equals(same))
                .toList());
    }

    /** Every standing reading, in the order of the book. */
    public List<BookedReading> readings() {
        return readings;
    }

    /** The fixes, in the order of their first readings. */
    public List<PolarFix> fixes() {
        return fixes;
    }

    /** Those of them whose circle was read on both faces in any set. */
    public List<PolarFix> onBothFaces() {
        return onBothFaces;
    }

    /** The direction of the zero sight by set, radians; sets without it are missing. */
    public SortedMap<Integer, Double> zeros() {
        return zeros;
    }

    /** All backsights to that mark, whatever the height of the target: what its direction rests on. */
    public Pointings backsight(String target) {
        return backsight(target, r -> r.role() == Reading.Role.BACKSIGHT);
    }
}
