package markturn.survey.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoubleConsumer;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.result.Position;

/** One search: what it has chosen so far, and what each choice says. */
final class ProposalSearch {
    private static final int MOST_SETUPS = 24;

    /** A mark that no sight reaches is anywhere within that, metres. */
    private static final double ANYWHERE = 100;

    /** In a plan of more sights than that single sights are not tried without where hidden errors are asked for: it would take too long. */
    private static final int MOST_SIGHTS = 40;

    /** Of so many that bring most, the one is taken that hides least. */
    private static final int LOOKED_AT = 8;

    private final Site site;
    private final WorkPlan asked;
    private final List<PlannedSetup> candidates;
    private final DoubleConsumer progress;
    private final Map<String, Position> near;
    private final Map<String, Integer> numbers;
    private final Contribution given;
    private final Map<PlannedSetup, Contribution> said = new HashMap<>();
    private final boolean asksHidden;
    private final Set<String> control;

    ProposalSearch(Site site, WorkPlan asked, List<PlannedSetup> candidates, DoubleConsumer progress) {
        this.site = site;
        this.asked = asked;
        this.candidates = candidates;
        this.progress = progress;
        this.near = site.near(asked.with(candidates));
        this.numbers = site.numbers(asked);
        this.control = site.control();
        this.given = Contribution.ofCoordinates(site.job(), numbers);
        this.asksHidden = asked.wanted().stream().anyMatch(m -> m.hidden().isPresent());
    }

    Proposal found() {
        List<PlannedSetup> chosen = spared(added());
        progress.accept(0.7);
        chosen = exchanged(chosen);
        progress.accept(1);
        WorkOrder order = WorkOrder.of(control, chosen);
        List<PlannedSetup> all = new ArrayList<>(order.setups());
        all.addAll(order.stuck());
        WorkPlan plan = asked.with(all);
        return new Proposal(plan, Proposal.shortfalls(site, plan));
    }

    private List<PlannedSetup> added() {
        List<PlannedSetup> chosen = new ArrayList<>();
        double missing = missing(chosen);
        while (chosen.size() < MOST_SETUPS && missing > 0) {
            Move best = best(chosen, missing);
            if (best == null) {
                break;
            }
            chosen = best.chosen();
            missing = best.missing();
            progress.accept(Math.min(0.5, 0.05 * chosen.size()));
        }
        return asksHidden ? proved(chosen) : chosen;
    }

    /** Setups are added until nothing that is hidden shifts a mark too far, or nothing helps any more. */
    private List<PlannedSetup> proved(List<PlannedSetup> precise) {
        List<PlannedSetup> chosen = precise;
        double hidden = hidden(chosen);
        while (chosen.size() < MOST_SETUPS && hidden > 0) {
            List<PlannedSetup> before = chosen;
            double least = hidden;
            for (Move move : nextBest(before)) {
                double left = hidden(move.chosen());
                if (left < least - Proposal.NOTHING) {
                    least = left;
                    chosen = move.chosen();
                }
            }
            if (chosen == before) {
                break;
            }
            hidden = least;
        }
        return chosen;
    }

    /** A change of what is chosen. */
    private record Move(List<PlannedSetup> chosen, double missing, double gain) {}

    /** What brings most a minute; null where nothing brings anything. */
    private Move best(List<PlannedSetup> chosen, double missing) {
        Move best = null;
        for (Move move : moves(chosen, missing)) {
            boolean helps = move.missing() < missing - Proposal.NOTHING && Proposal.isWorkable(control, move.chosen());
            if (helps && (best == null || move.gain() > best.gain() + Proposal.NOTHING)) {
                best = move;
            }
        }
        return best;
    }

    private List<Move> moves(List<PlannedSetup> chosen, double missing) {
        List<Move> moves = new ArrayList<>();
        double takes = takes(chosen);
        for (PlannedSetup candidate : candidates) {
            int at = indexOf(chosen, candidate.name());
            int from = at < 0 ? 0 : chosen.get(at).sets();
            for (int sets = from + 1; sets <= Proposal.MOST_SETS; sets++) {
                List<PlannedSetup> tried = new ArrayList<>(chosen);
                if (at < 0) {
                    tried.add(candidate.in(sets));
                } else {
                    tried.set(at, chosen.get(at).in(sets));
                }
                double left = missing(tried);
                moves.add(new Move(tried, left, (missing - left) / (takes(tried) - takes)));
            }
        }
        return moves;
    }

    /** Setups that are not chosen yet, in two sets, those with the most sights first; and one set more where one stands. */
    private List<Move> nextBest(List<PlannedSetup> chosen) {
        List<Move> next = new ArrayList<>(moves(chosen, missing(chosen)).stream()
                .filter(m -> m.chosen().size() > chosen.size()
                        && m.chosen().get(m.chosen().size() - 1).sets() == 2)
                .toList());
        Map<String, Integer> sighted = new HashMap<>();
        chosen.forEach(s -> s.aims().forEach(aim -> sighted.merge(aim.target(), 1, (a, b) -> a + b)));
        next.sort(Comparator.comparingDouble((Move m) -> -help(m, sighted)));
        return next.subList(0, Math.min(LOOKED_AT, next.size()));
    }

    /** How much of what is seldom sighted a further setup sights. */
    private double help(Move move, Map<String, Integer> sighted) {
        double sum = 0;
        for (PlannedSetup.Aim aim : move.chosen().get(move.chosen().size() - 1).aims()) {
            if (numbers.containsKey(aim.target())) {
                sum += 1.0 / (1 + sighted.getOrDefault(aim.target(), 0));
            }
        }
        return sum;
    }

    /** Whatever can be spared is left out, what saves most first, until nothing can. */
    private List<PlannedSetup> spared(List<PlannedSetup> all) {
        List<PlannedSetup> chosen = all;
        double missing = missing(chosen);
        double hidden = hidden(chosen);
        boolean changed = true;
        while (changed) {
            changed = false;
            for (Less less : less(chosen)) {
                List<PlannedSetup> tried = less.of(chosen, control);
                if (tried != chosen && isNoWorse(tried, missing, hidden)) {
                    chosen = tried;
                    changed = true;
                }
            }
        }
        return chosen;
    }

    private boolean isNoWorse(List<PlannedSetup> tried, double missing, double hidden) {
        return Proposal.isWorkable(control, tried)
                && missing(tried) <= missing + Proposal.NOTHING
                && (!asksHidden || hidden(tried) <= hidden + Proposal.NOTHING);
    }

    /**
     * Something that might be spared.
     *
     * @param sets in which the setup would be turned; 0: it would be left out
     * @param target that it would not sight; empty: it would sight as before
     */
    private record Less(String setup, int sets, String target, double saves) {
        /** What would be left; the same list where it has been spared already. */
        List<PlannedSetup> of(List<PlannedSetup> chosen, Set<String> control) {
            int at = indexOf(chosen, setup);
            if (at < 0) {
                return chosen;
            }
            PlannedSetup now = chosen.get(at);
            if (sets == 0) {
                return replaced(chosen, at, null);
            }
            if (target.isEmpty()) {
                return sets < now.sets() ? replaced(chosen, at, now.in(sets)) : chosen;
            }
            List<PlannedSetup.Aim> others = new ArrayList<>(now.aims());
            boolean turnsIn = control.contains(target)
                    && now.aims().stream()
                                    .filter(aim -> control.contains(aim.target()))
                                    .count()
                            <= WorkOrder.needed(now);
            // Of control as many sights stay as turn the setup in.
            return !turnsIn && others.removeIf(aim -> aim.target().equals(target))
                    ? replaced(chosen, at, now.sighting(others))
                    : chosen;
        }
    }

    private List<Less> less(List<PlannedSetup> chosen) {
        List<Less> all = new ArrayList<>();
        Minutes minutes = asked.minutes();
        int sights = chosen.stream().mapToInt(s -> s.aims().size()).sum();
        for (PlannedSetup setup : chosen) {
            all.add(new Less(setup.name(), 0, "", minutes.of(setup)));
            for (int sets = 1; sets < setup.sets(); sets++) {
                all.add(new Less(setup.name(), sets, "", minutes.of(setup) - minutes.of(setup.in(sets))));
            }
            if (!asksHidden || sights <= MOST_SIGHTS) {
                for (PlannedSetup.Aim aim : setup.aims()) {
                    double saves = minutes.target() + minutes.set() * setup.sets();
                    all.add(new Less(setup.name(), setup.sets(), aim.target(), saves));
                }
            }
        }
        all.sort(Comparator.comparingDouble((Less less) -> -less.saves()));
        return all;
    }

    /** One setup for another, sights and sets chosen anew, as long as that makes it cheaper. */
    private List<PlannedSetup> exchanged(List<PlannedSetup> all) {
        List<PlannedSetup> chosen = all;
        double missing = missing(chosen);
        double hidden = hidden(chosen);
        boolean changed = true;
        while (changed) {
            changed = false;
            for (int i = 0; i < chosen.size() && !changed; i++) {
                for (PlannedSetup candidate : candidates) {
                    if (indexOf(chosen, candidate.name()) >= 0) {
                        continue;
                    }
                    List<PlannedSetup> tried = replaced(chosen, i, candidate.in(Proposal.MOST_SETS));
                    if (!isNoWorse(tried, missing, hidden)) {
                        continue;
                    }
                    List<PlannedSetup> cheaper = spared(tried);
                    if (takes(cheaper) < takes(chosen) - Proposal.NOTHING) {
                        chosen = cheaper;
                        changed = true;
                        break;
                    }
                }
            }
        }
        return chosen;
    }

    private static List<PlannedSetup> replaced(List<PlannedSetup> chosen, int at, PlannedSetup by) {
        List<PlannedSetup> others = new ArrayList<>(chosen);
        if (by == null) {
            others.remove(at);
        } else {
            others.set(at, by);
        }
        return others;
    }

    private static int indexOf(List<PlannedSetup> chosen, String name) {
        for (int i = 0; i < chosen.size(); i++) {
            if (chosen.get(i).name().equals(name)) {
                return i;
            }
        }
        return -1;
    }

    private double takes(List<PlannedSetup> chosen) {
        return asked.with(chosen).takes();
    }

    /** How far precision is from what is asked: the sum of the logarithms of what each is too large by; 0 where nothing is. */
    private double missing(List<PlannedSetup> chosen) {
        Information plan = Information.loose(2 * numbers.size(), ANYWHERE);
        Information levels = Information.loose(numbers.size(), ANYWHERE);
        plan.add(given.inPlan(), given.planUnknowns());
        levels.add(given.levels(), given.levelUnknowns());
        for (PlannedSetup setup : chosen) {
            Contribution contribution = said.computeIfAbsent(setup, s -> Contribution.of(site.job(), s, numbers, near));
            plan.add(contribution.inPlan(), contribution.planUnknowns());
            levels.add(contribution.levels(), contribution.levelUnknowns());
        }
        Information.Covariances inPlan = plan.covariances();
        Information.Covariances inLevel = levels.covariances();
        double missing = 0;
        for (WantedMark mark : asked.wanted()) {
            Integer number = numbers.get(mark.name());
            if (number != null && mark.plan().isPresent()) {
                double within = inPlan.place(2 * number).ellipse().of95().semiMajor();
                missing += tooLarge(within, mark.plan().getAsDouble());
            }
            if (number != null && mark.elevation().isPresent()) {
                double within = Proposal.LINE_95 * Math.sqrt(inLevel.of(number, number));
                missing += tooLarge(within, mark.elevation().getAsDouble());
            }
        }
        return missing;
    }

    private static double tooLarge(double value, double limit) {
        return Math.max(0, Math.log(value / limit));
    }

    /** The same of what stays hidden; what nothing bounds counts as if it were anywhere. */
    private double hidden(List<PlannedSetup> chosen) {
        if (!asksHidden) {
            return 0;
        }
        ForeseenNetwork network = site.foresee(asked.with(chosen), ForeseenNetwork.Depth.ALL);
        double missing = 0;
        for (WantedMark mark : asked.wanted()) {
            if (mark.hidden().isPresent()) {
                OptionalDouble worst =
                        network.mark(mark.name()).map(m -> m.plan().worst()).orElse(OptionalDouble.empty());
                missing += tooLarge(worst.orElse(ANYWHERE), mark.hidden().getAsDouble());
            }
        }
        return missing;
    }
}
