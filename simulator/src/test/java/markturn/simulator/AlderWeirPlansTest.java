package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import markturn.survey.job.Job;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Proposal;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;

/** The plans of the demo are what they say: the first idea is weak, the proposal is what is proposed. Numbers of the demo alone. */
class AlderWeirPlansTest {
    private static Site site() {
        Job job = AlderWeir.job().withSetups(List.of());
        Map<String, Position> known = new LinkedHashMap<>();
        job.marks().forEach(mark -> mark.given().ifPresent(at -> known.put(mark.name(), Position.held(at))));
        return new Site(job, known, AlderWeirPlans.ground());
    }

    @Test
    void theFirstIdeaHidesErrorsAndTheProposalDoesNot() {
        assertThat(Proposal.shortfalls(site(), AlderWeirPlans.firstIdea()))
                .extracting(Proposal.Shortfall::mark)
                .contains("CREST 1", "CREST 2", "CREST 3", "POND 2");
        assertThat(Proposal.shortfalls(site(), AlderWeirPlans.proposal())).isEmpty();
    }

    @Test
    void whatIsKeptAsProposedIsWhatIsProposed() {
        WorkPlan kept = AlderWeirPlans.proposal();
        List<PlannedSetup> candidates = Proposal.candidates(site(), kept, "Station 1", "Prism", 30);
        Proposal proposal = Proposal.of(site(), kept.with(List.of()), candidates, share -> {});
        assertThat(proposal.plan().takes()).isEqualTo(kept.takes());
        assertThat(proposal.plan().setups())
                .extracting(PlannedSetup::station)
                .isEqualTo(kept.setups().stream().map(PlannedSetup::station).toList());
    }
}
