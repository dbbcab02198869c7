package markturn.survey.turning;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Face;
import markturn.survey.job.Setup;

/**
 * The order of pointings. It is only proposed: whatever has been booked stands, and what comes next is the first pointing still missing.
 *
 * @param targets in the order of the round, the zero sight first; at least one. For rounds: clockwise
 * @param sets how many full sets are wanted, 1 to 99
 * @param closedSets half-sets that were closed after a break and are not gone on with; others are turned in their place
 */
public record PointingOrder(List<String> targets, int sets, School school, Set<Integer> closedSets) {
    public static final int MOST_SETS = 99;

    /** The schools of practice. Common practice, no source. */
    public enum School {
        /** It returns the way it came, so that drift cancels. */
        RETURNING("returning", "back-fore on face left, then fore-back on face right"),
        SAME_WAY("same-way", "back-fore on face left, then back-fore on face right"),
        ROUNDS("rounds", "rounds: clockwise on face left, anticlockwise on face right"),
        /** Each half-set ends on the target it began with. */
        CLOSED_ROUNDS("closed-rounds", "rounds, each half-set closed on the first target");

        private final String key;
        private final String words;

        School(String key, String words) {
            this.key = key;
            this.words = words;
        }

        /** The word by which entries and forms know it. */
        public String key() {
            return key;
        }

        public String words() {
            return words;
        }

        /** Whether the targets are taken clockwise rather than as they are listed. */
        public boolean isRound() {
            return this == ROUNDS || this == CLOSED_ROUNDS;
        }

        /** The school of that key; the usual one where there is none. */
        public static School of(String key) {
            for (School school : values()) {
                if (school.key.equals(key)) {
                    return school;
                }
            }
            return RETURNING;
        }
    }

    public PointingOrder {
        targets = List.copyOf(targets);
        closedSets = Set.copyOf(closedSets);
    }

    /** The usual order. */
    public PointingOrder(List<String> targets, int sets) {
        this(targets, sets, School.RETURNING, Set.of());
    }

    /** One pointing to make. */
    public record Pointing(int set, Face face, String target) {}

    /** The pointings of one set, in order. */
    public List<Pointing> round(int set) {
        List<Pointing> round = new ArrayList<>();
        half(Face.LEFT, targets).forEach(target -> round.add(new Pointing(set, Face.LEFT, target)));
        half(Face.RIGHT, onFaceRight()).forEach(target -> round.add(new Pointing(set, Face.RIGHT, target)));
        return round;
    }

    private List<String> onFaceRight() {
        List<String> order = new ArrayList<>(targets);
        switch (school) {
            case SAME_WAY -> {}
            case CLOSED_ROUNDS -> Collections.reverse(order.subList(1, order.size()));
            case RETURNING, ROUNDS -> Collections.reverse(order);
        }
        return order;
    }

    private List<String> half(Face face, List<String> order) {
        if (school != School.CLOSED_ROUNDS || order.size() < 2) {
            return order;
        }
        List<String> closed = new ArrayList<>(order);
        closed.add(order.get(0));
        return closed;
    }

    /** Everything still to be pointed at, in order. Sets that were struck out whole, or closed, are replaced by further ones. */
    public List<Pointing> remaining(Setup setup) {
        List<Pointing> remaining = new ArrayList<>();
        Map<Pointing, Integer> booked = booked(setup);
        for (int set : setsToTurn(setup)) {
            if (!closedSets.contains(set)) {
                round(set).stream().filter(p -> !take(booked, p)).forEach(remaining::add);
            }
        }
        return remaining;
    }

    private static Map<Pointing, Integer> booked(Setup setup) {
        Map<Pointing, Integer> booked = new HashMap<>();
        for (Reading reading : setup.readings()) {
            if (reading.stands() && reading.set().isPresent()) {
                booked.merge(
                        new Pointing(reading.set().getAsInt(), reading.face(), reading.target()), 1, (a, b) -> a + b);
            }
        }
        return booked;
    }

    private static boolean take(Map<Pointing, Integer> booked, Pointing pointing) {
        Integer left = booked.get(pointing);
        if (left == null || left == 0) {
            return false;
        }
        booked.put(pointing, left - 1);
        return true;
    }

    /** What comes next; empty when all sets are turned. */
    public Optional<Pointing> next(Setup setup) {
        return remaining(setup).stream().findFirst();
    }

    /** The numbers of the sets that are turned or to be turned, ascending: as many as are wanted, or more if more were begun. */
    public List<Integer> setsToTurn(Setup setup) {
        TreeSet<Integer> begun = new TreeSet<>(closedSets);
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
        numbers.removeAll(closedSets);
        for (int number = 1; numbers.size() < sets && number <= MOST_SETS; number++) {
            if (!begun.contains(number)) {
                numbers.add(number);
            }
        }
        return List.copyOf(numbers);
    }
}
