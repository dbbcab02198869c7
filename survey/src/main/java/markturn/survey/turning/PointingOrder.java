package markturn.survey.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Setup;

/**
 * The order of pointings: back-fore on one face, then fore-back on the other, so that drift cancels. The order is only proposed: whatever
 * has been booked stands, and what comes next is the first pointing still missing.
 *
 * @param targets in the order of the round, the zero sight first; at least one
 * @param sets how many full sets are wanted, 1 to 99
 */
public record PointingOrder(List<String> targets, int sets) {
    public static final int MOST_SETS = 99;

    public PointingOrder {
        targets = List.copyOf(targets);
    }

    /** One pointing to make. */
    public record Pointing(int set, Face face, String target) {}

    /** The pointings of one set, in order. */
    public List<Pointing> round(int set) {
        List<Pointing> round = new ArrayList<>();
        for (String target : targets) {
            round.add(new Pointing(set, Face.LEFT, target));
        }
        for (int i = targets.size() - 1; i >= 0; i--) {
            round.add(new Pointing(set, Face.RIGHT, targets.get(i)));
        }
        return round;
    }

    /** Everything still to be pointed at, in order. Sets that were struck out whole are replaced by further ones. */
    public List<Pointing> remaining(Setup setup) {
        List<Pointing> remaining = new ArrayList<>();
        for (int set : setsToTurn(setup)) {
            round(set).stream().filter(p -> !isBooked(setup, p)).forEach(remaining::add);
        }
        return remaining;
    }

    /** What comes next; empty when all sets are turned. */
    public Optional<Pointing> next(Setup setup) {
        return remaining(setup).stream().findFirst();
    }

    /** The numbers of the sets that are turned or to be turned, ascending: as many as are wanted, or more if more were begun. */
    public List<Integer> setsToTurn(Setup setup) {
        TreeSet<Integer> begun = new TreeSet<>();
        TreeSet<Integer> standing = new TreeSet<>();
        for (Reading reading : setup.readings()) {
            if (reading.set().isPresent()) {
                begun.add(reading.set().getAsInt());
                if (reading.stands()) {
                    standing.add(reading.set().getAsInt());
                }
            }
        }
        TreeSet<Integer> numbers = new TreeSet<>(standing);
        for (int number = 1; numbers.size() < sets && number <= MOST_SETS; number++) {
            if (!begun.contains(number)) {
                numbers.add(number);
            }
        }
        return List.copyOf(numbers);
    }

    private static boolean isBooked(Setup setup, Pointing pointing) {
        return setup.readings().stream()
                .anyMatch(r -> r.stands()
                        && r.set().isPresent()
                        && r.set().getAsInt() == pointing.set()
                        && r.face() == pointing.face()
                        && r.target().equals(pointing.target()));
    }
}
