package markturn.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.job.ClassOfWork.Preset;
import markturn.survey.network.NetworkRun;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.Position;
import org.junit.jupiter.api.Test;

/** Networks from coordinates that are off by a kilometre: from some of these starts alone the adjustment leads nowhere. Source: the known truth. */
class PoorStartTest {
    @Test
    void aPoorStartIsLeftForWhatTheSightsThemselvesGive() {
        for (long seed = 0; seed < 40; seed++) {
            Campaigns.Tried tried = Campaigns.network(seed, 4, Preset.ENGINEERING, Campaigns.instrument(2));
            SurveyResult result = Survey.compute(tried.campaign().job());
            Map<String, Position> far = new TreeMap<>();
            Random random = new Random(7919 * seed + 1);
            result.measured().marks().forEach(m -> {
                Position at = m.position().orElseThrow();
                boolean given = m.mark().given().isPresent();
                double north = at.northing() + (given ? 0 : 1000 * random.nextGaussian());
                double east = at.easting() + (given ? 0 : 1000 * random.nextGaussian());
                far.put(m.name(), new Position(north, east, at.elevation(), at.plan(), at.elevationVariance()));
            });
            MeasuredNetwork network =
                    NetworkRun.compute(result.job(), result.measured().setups(), far, share -> {});
            assertThat(network.why()).as("start " + seed).isEmpty();
            network.marks().forEach(mark -> {
                World.TruePlace truth = tried.world().at(mark.name());
                assertThat(Math.hypot(
                                mark.position().northing() - truth.northing(),
                                mark.position().easting() - truth.easting()))
                        .as("start, " + mark.name())
                        .isLessThan(0.02);
            });
        }
    }
}
