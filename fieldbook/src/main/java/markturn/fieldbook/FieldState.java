package markturn.fieldbook;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.survey.plan.Ground;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.WorkPlan;

/**
 * What the entries say beside the job itself: how setups are turned, which device writes, where work was interrupted, whether devices are
 * simulated, who booked readings. Each by the name of its setup.
 *
 * @param breaks how many readings stood in a setup's book at its last break
 * @param planned setups that are to be made
 * @param ground what stands on it
 * @param plans of the work, in the order in which they were first kept
 * @param epochs of marks that are measured again, which this job or some of its setups are
 * @param reference marks that are meant to be stable; empty where nobody has said
 * @param taken marks of the office's register, by their names in the job
 * @param observers sign-in names of who booked readings at a setup, or brought them in with a file
 */
record FieldState(
        Map<String, TurningOrder> orders,
        Map<String, Pen> pens,
        Map<String, Integer> breaks,
        Map<String, Set<String>> observers,
        Optional<PracticeOpened> practice,
        List<PlannedSetup> planned,
        Ground ground,
        List<WorkPlan> plans,
        List<EpochNoted> epochs,
        List<String> reference,
        Map<String, MarkTaken> taken) {
    static final FieldState NONE = new FieldState(
            Map.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            Optional.empty(),
            List.of(),
            Ground.OPEN,
            List.of(),
            List.of(),
            List.of(),
            Map.of());

    /** The same while entries are laid on it; every map is copied when it is first touched. */
    static final class Draft {
        private final FieldState before;
        private Map<String, TurningOrder> orders;
        private Map<String, Pen> pens;
        private Map<String, Integer> breaks;
        private Map<String, Set<String>> observers;
        private Optional<PracticeOpened> practice;
        private List<PlannedSetup> planned;
        private Ground ground;
        private List<WorkPlan> plans;
        private List<EpochNoted> epochs;
        private List<String> reference;
        private Map<String, MarkTaken> taken;

        Draft(FieldState before) {
            this.before = before;
            this.practice = before.practice;
            this.planned = before.planned;
            this.ground = before.ground;
            this.plans = before.plans;
            this.epochs = before.epochs;
            this.reference = before.reference;
        }

        void planned(List<PlannedSetup> setups) {
            planned = setups;
        }

        void ground(Ground drawn) {
            ground = drawn;
        }

        void plan(WorkPlan kept) {
            List<WorkPlan> all = new ArrayList<>(plans);
            int at = 0;
            while (at < all.size() && !all.get(at).name().equals(kept.name())) {
                at++;
            }
            if (at < all.size()) {
                all.remove(at);
            }
            if (!kept.setups().isEmpty() || !kept.wanted().isEmpty()) {
                all.add(at, kept);
            }
            plans = List.copyOf(all);
        }

        void epoch(EpochNoted noted) {
            List<EpochNoted> others = new ArrayList<>(epochs);
            others.removeIf(e -> e.name().equals(noted.name()));
            others.add(noted);
            epochs = List.copyOf(others);
        }

        void taken(String mark, MarkTaken from) {
            taken = own(taken, before.taken);
            taken.put(mark, from);
        }

        void reference(List<String> marks) {
            reference = marks;
        }

        void order(String setup, TurningOrder order) {
            orders = own(orders, before.orders);
            orders.put(setup, order);
        }

        void pen(String setup, Pen pen) {
            if (pen.equals((pens == null ? before.pens : pens).get(setup))) {
                return;
            }
            pens = own(pens, before.pens);
            pens.put(setup, pen);
        }

        void broken(String setup, int readings) {
            breaks = own(breaks, before.breaks);
            breaks.put(setup, readings);
        }

        void observed(String setup, String by) {
            Set<String> known = (observers == null ? before.observers : observers).getOrDefault(setup, Set.of());
            if (known.contains(by)) {
                return;
            }
            observers = own(observers, before.observers);
            Set<String> more = new HashSet<>(known);
            more.add(by);
            observers.put(setup, Set.copyOf(more));
        }

        void practice(PracticeOpened devices) {
            practice = Optional.of(devices);
        }

        FieldState done() {
            return new FieldState(
                    orders == null ? before.orders : orders,
                    pens == null ? before.pens : pens,
                    breaks == null ? before.breaks : breaks,
                    observers == null ? before.observers : observers,
                    practice,
                    planned,
                    ground,
                    plans,
                    epochs,
                    reference,
                    taken == null ? before.taken : taken);
        }

        private static <T> Map<String, T> own(Map<String, T> mine, Map<String, T> before) {
            return mine == null ? new HashMap<>(before) : mine;
        }
    }
}
