package markturn.survey.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import org.junit.jupiter.api.Test;

/** Proposals, held against trying everything, and against the network that is adjusted in the end. */
class ProposalTest {
    private static final int GROUNDS = 50;
    private static final int SETS = 2;

    /** A ground with three setups that could be made, and what two marks ask for. */
    private record Small(Site site, WorkPlan plan, List<PlannedSetup> candidates) {
        static Small of(int seed) {
            Random random = new Random(seed);
            Site site = Sites.site(random, 3, 3);
            WorkPlan plan = new WorkPlan(
                    "small",
                    WorkPlan.AXIS,
                    WorkPlan.TARGET,
                    Minutes.USUAL,
                    List.of(
                            Sites.wanted(random, "W0", 0.006 + 0.004 * random.nextDouble()),
                            Sites.wanted(random, "W1", 0.006 + 0.004 * random.nextDouble())),
                    List.of());
            List<PlannedSetup> all = Proposal.candidates(site, plan, "station", "prism", 2);
            List<PlannedSetup> some = new ArrayList<>();
            for (PlannedSetup one : all) {
                boolean useful =
                        one.aims().stream().anyMatch(aim -> aim.target().startsWith("W"));
                if (useful && some.size() < 3) {
                    some.add(
                            one.aims().size() > 4
                                    ? one.sighting(one.aims()
                                            .subList(
                                                    one.aims().size() - 4,
                                                    one.aims().size()))
                                    : one);
                }
            }
            return new Small(site, plan, some);
        }

        /** The cheapest of everything that could be done in up to two sets; infinite where nothing gives what is asked. */
        double cheapest() {
            return cheapest(0, new ArrayList<>(), Double.POSITIVE_INFINITY);
        }

        private double cheapest(int next, List<PlannedSetup> chosen, double best) {
            double takes = plan.with(chosen).takes();
            if (takes >= best) {
                return best;
            }
            if (!chosen.isEmpty() && Proposal.isWorkable(site.control(), chosen) && isMet(chosen)) {
                return takes;
            }
            double least = best;
            if (next < candidates.size()) {
                PlannedSetup candidate = candidates.get(next);
                least = cheapest(next + 1, chosen, least);
                for (int sighted = 3; sighted < 1 << candidate.aims().size(); sighted++) {
                    List<PlannedSetup.Aim> aims = new ArrayList<>();
                    for (int i = 0; i < candidate.aims().size(); i++) {
                        if ((sighted >> i & 1) == 1) {
                            aims.add(candidate.aims().get(i));
                        }
                    }
                    for (int sets = 1; isTurnedIn(candidate, aims) && sets <= SETS; sets++) {
                        List<PlannedSetup> tried = new ArrayList<>(chosen);
                        tried.add(candidate.sighting(aims).in(sets));
                        least = cheapest(next + 1, tried, least);
                    }
                }
            }
            return least;
        }

        /** As many control marks as turn it in, where the setup could sight so many. */
        private boolean isTurnedIn(PlannedSetup candidate, List<PlannedSetup.Aim> aims) {
            long could = candidate.aims().stream()
                    .filter(a -> site.control().contains(a.target()))
                    .count();
            long does = aims.stream()
                    .filter(a -> site.control().contains(a.target()))
                    .count();
            return does >= Math.min(could, WorkOrder.needed(candidate));
        }

        /** By the network itself: the search has sums of its own. */
        private boolean isMet(List<PlannedSetup> chosen) {
            ForeseenNetwork network = site.foresee(plan.with(chosen), ForeseenNetwork.Depth.PRECISION);
            return plan.wanted().stream()
                    .allMatch(mark -> network.mark(mark.name())
                            .filter(found ->
                                    found.position().plan().ellipse().of95().semiMajor()
                                            <= mark.plan().getAsDouble())
                            .isPresent());
        }
    }

    @Test
    void aProposalCostsWhatTheCheapestCosts() {
        AtomicInteger possible = new AtomicInteger();
        AtomicInteger good = new AtomicInteger();
        IntStream.range(0, 3 * GROUNDS).parallel().forEach(seed -> {
            Small small = Small.of(seed);
            double cheapest = small.cheapest();
            if (Double.isInfinite(cheapest)) {
                return;
            }
            possible.incrementAndGet();
            Proposal proposal = Proposal.of(small.site(), small.plan(), small.candidates(), share -> {});
            assertThat(proposal.isMet())
                    .as("ground %d can be had for %s", seed, cheapest)
                    .isTrue();
            if (proposal.plan().takes() <= 1.1 * cheapest) {
                good.incrementAndGet();
            }
        });
        assertThat(possible.get()).isGreaterThanOrEqualTo(GROUNDS);
        assertThat(good.get() / (double) possible.get()).isGreaterThanOrEqualTo(0.95);
    }

    /** What the search sums up is what the network gives: the same weights, the same observations. */
    @Test
    void theSumOfContributionsIsTheNetwork() {
        for (int seed = 0; seed < 40; seed++) {
            Random random = new Random(seed);
            Site site = seed % 2 == 0 ? Sites.site(random, 3, 2) : Sites.observed(Sites.site(random, 3, 2));
            WorkPlan plan = new WorkPlan(
                    "all",
                    WorkPlan.AXIS,
                    WorkPlan.TARGET,
                    Minutes.USUAL,
                    List.of(Sites.wanted(random, "W0", 1), Sites.wanted(random, "W1", 1)),
                    List.of());
            List<PlannedSetup> all = Proposal.candidates(site, plan, "station", "prism", 3);
            ForeseenNetwork network = site.foresee(plan.with(all), ForeseenNetwork.Depth.PRECISION);
            Map<String, Integer> numbers = site.numbers(plan);
            Information inPlan = Information.loose(2 * numbers.size(), 1000);
            Information levels = Information.loose(numbers.size(), 1000);
            Contribution given = Contribution.ofCoordinates(site.job(), numbers);
            inPlan.add(given.inPlan(), given.planUnknowns());
            levels.add(given.levels(), given.levelUnknowns());
            for (PlannedSetup setup : all) {
                Contribution one = Contribution.of(site.job(), setup, numbers, site.near(plan.with(all)));
                inPlan.add(one.inPlan(), one.planUnknowns());
                levels.add(one.levels(), one.levelUnknowns());
            }
            Information.Covariances covariance = inPlan.covariances();
            for (int i = 0; i < 2; i++) {
                Optional<Adjusted> found = network.mark("W" + i);
                if (found.isEmpty()) {
                    continue;
                }
                double nn = found.get().position().plan().nn();
                double ee = found.get().position().plan().ee();
                assertThat(covariance.of(2 * i, 2 * i)).isCloseTo(nn, within(1e-4 * nn));
                assertThat(covariance.of(2 * i + 1, 2 * i + 1)).isCloseTo(ee, within(1e-4 * ee));
                double up = found.get().position().elevationVariance().getAsDouble();
                assertThat(levels.covariances().of(i, i)).isCloseTo(up, within(1e-4 * up));
            }
        }
    }
}
