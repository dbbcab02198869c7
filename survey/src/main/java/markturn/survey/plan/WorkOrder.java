package markturn.survey.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import markturn.survey.job.Reading;

/**
 * Setups in an order in which they can be made: each stands and is turned in by marks that are known by then, from coordinates or from a
 * setup before it.
 *
 * @param setups those that can be made, with the role of each sight as it then is: known marks are backsights
 * @param stuck those that cannot: too little of what they sight would be known
 */
public record WorkOrder(List<PlannedSetup> setups, List<PlannedSetup> stuck) {
    private static final int TO_FIX = 2;
    private static final int TO_TURN_IN = 1;

    public WorkOrder {
        setups = List.copyOf(setups);
        stuck = List.copyOf(stuck);
    }

    /**
     * Puts setups in order, as near to the one they have as can be.
     *
     * @param control marks that are known from the beginning
     */
    public static WorkOrder of(Set<String> control, List<PlannedSetup> all) {
        Set<String> known = new LinkedHashSet<>(control);
        List<PlannedSetup> left = new ArrayList<>(all);
        List<PlannedSetup> order = new ArrayList<>();
        boolean changed = true;
        while (changed) {
            changed = false;
            for (PlannedSetup setup : left) {
                if (canBeMade(setup, known)) {
                    order.add(turnedIn(setup, control, known));
                    known.add(setup.station());
                    setup.aims().forEach(aim -> known.add(aim.target()));
                    left.remove(setup);
                    changed = true;
                    break;
                }
            }
        }
        return new WorkOrder(order, left);
    }

    /** How many known marks it takes to fix a free station, or to turn in an instrument on a mark. */
    static int needed(PlannedSetup setup) {
        return setup.isFree() ? TO_FIX : TO_TURN_IN;
    }

    private static boolean canBeMade(PlannedSetup setup, Set<String> known) {
        boolean stands = setup.method() != PlannedSetup.Method.OCCUPIED || known.contains(setup.station());
        long sighted = setup.aims().stream()
                .filter(aim -> known.contains(aim.target()))
                .count();
        return stands && sighted >= needed(setup);
    }

    /** Backsights to control where it sights enough of it, else to whatever is known. */
    private static PlannedSetup turnedIn(PlannedSetup setup, Set<String> control, Set<String> known) {
        long ofControl = setup.aims().stream()
                .filter(aim -> control.contains(aim.target()))
                .count();
        Set<String> back = ofControl >= needed(setup) ? control : known;
        List<PlannedSetup.Aim> aims = new ArrayList<>();
        for (boolean first : new boolean[] {true, false}) {
            for (PlannedSetup.Aim aim : setup.aims()) {
                if (back.contains(aim.target()) == first) {
                    Reading.Role role = first ? Reading.Role.BACKSIGHT : Reading.Role.FORESIGHT;
                    aims.add(new PlannedSetup.Aim(aim.target(), role, aim.reflector()));
                }
            }
        }
        return setup.sighting(aims);
    }
}
