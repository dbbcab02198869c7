package markturn.survey.result;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import markturn.survey.job.Reading;

/**
 * A measured setup, and where in the job's list of marks the targets of its shots stand, as {@link KnownPositions#placeOf} says: what is
 * carried anew with every reading need not look up thousands of names.
 *
 * @param places one for each shot; whoever has them may not change them
 * @param gives the position that a shot gives a mark that has none yet, whatever else is known; null where that takes a closer look
 */
public record PlacedShots(MeasuredSetup setup, int[] places, Position[] gives) {
    /** Looks each target up. */
    public static PlacedShots of(MeasuredSetup setup, KnownPositions positions) {
        return new PlacedShots(setup, new int[0], new Position[0]).with(setup, positions);
    }

    /** The same setup measured anew, or grown, while the job's list of marks has only grown: what is the same shot is not looked up again. */
    public PlacedShots with(MeasuredSetup now, KnownPositions positions) {
        List<Shot> before = setup.shots();
        List<Shot> shots = now.shots();
        int[] found = Arrays.copyOf(places, shots.size());
        Position[] given = Arrays.copyOf(gives, shots.size());
        for (int i = 0; i < found.length; i++) {
            if (i >= places.length || before.get(i) != shots.get(i)) {
                found[i] = positions.placeOf(shots.get(i).mark());
                given[i] = gives(shots.get(i)).orElse(null);
            }
        }
        return new PlacedShots(now, found, given);
    }

    private static Optional<Position> gives(Shot shot) {
        Reading.Role role = shot.fix().role();
        boolean locates = role == Reading.Role.FORESIGHT || role == Reading.Role.DETAIL;
        boolean whole = shot.direction().isPresent() && shot.horizontal().isPresent();
        return locates && whole ? shot.position() : Optional.empty();
    }
}
