package markturn.tripod.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import markturn.survey.finding.words.Words;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Proposal;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkPlan;
import markturn.survey.show.Sentence;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/** What it takes, setup by setup: what each is there for, what it takes, and what leaving it out would lose. */
public record ProposalShown(Site site, WorkPlan plan) implements Shown {
    @Override
    public Sheet sheet() {
        List<Proposal.Shortfall> missed = Proposal.shortfalls(site, plan);
        PlanWords words = new PlanWords(site, plan, site.foresee(plan, ForeseenNetwork.Depth.ALL));
        return Sheet.empty()
                .with("verdict", words.verdict(missed))
                .with("met", missed.isEmpty())
                .with("remedies", missed.isEmpty() ? List.of() : remedies(missed))
                .with(
                        "setups",
                        plan.setups().stream().map(s -> setup(s, missed, words)).toList());
    }

    private Shown setup(PlannedSetup setup, List<Proposal.Shortfall> missed, PlanWords words) {
        return () -> Sheet.empty()
                .with("name", setup.name())
                .with("takes", PlanWords.duration(plan.minutes().of(setup)))
                .with("loses", loses(setup, missed, words));
    }

    /** What would be missed without it that is not missed with it. */
    private String loses(PlannedSetup setup, List<Proposal.Shortfall> missed, PlanWords words) {
        Map<String, OptionalDouble> before = new TreeMap<>();
        missed.forEach(m -> before.put(m.mark() + m.asked(), m.reached()));
        List<String> lost = new ArrayList<>();
        for (Proposal.Shortfall without : Proposal.shortfalls(site, plan.without(setup.name()))) {
            if (!before.containsKey(without.mark() + without.asked())) {
                lost.add(words.missed(without));
            }
        }
        if (lost.isEmpty()) {
            return "Nothing that is asked hangs on it alone.";
        }
        return "Without it " + String.join("; ", lost.subList(0, Math.min(3, lost.size())))
                + (lost.size() > 3 ? Sentence.of("; and %s more", lost.size() - 3) : "") + ".";
    }

    /** What could help where it cannot be had: tried, not guessed. */
    private List<Shown> remedies(List<Proposal.Shortfall> missed) {
        List<Shown> said = new ArrayList<>();
        Remedies.tried(site, plan).forEach(sentence -> said.add(PlanForeseen.said(sentence)));
        if (said.isEmpty()) {
            List<String> marks =
                    missed.stream().map(Proposal.Shortfall::mark).distinct().toList();
            said.add(PlanForeseen.said(
                    "Neither better figures nor forced centring would do: one known mark more is wanted near "
                            + Words.names(marks) + "."));
        }
        return said;
    }
}
