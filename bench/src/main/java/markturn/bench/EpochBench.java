package markturn.bench;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import markturn.simulator.Campaign;
import markturn.simulator.Campaigns;
import markturn.simulator.World;
import markturn.survey.Survey;
import markturn.survey.SurveyResult;
import markturn.survey.epoch.Epoch;
import markturn.survey.epoch.Epochs;
import markturn.survey.job.ClassOfWork.Preset;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.SingularValueDecomposition;

/**
 * What moved over twelve epochs of sixty marks: the free figure of an epoch, and all comparisons and time lines, beside one pseudo-inverse of
 * such a figure by a general library.
 */
public final class EpochBench {
    private static final int EPOCHS = 12;
    private static final int MARKS = 60;
    private static final int ROUNDS = 7;
    private static final List<String> REFERENCE = List.of("R1", "R2", "R3", "R4", "R5", "R6");

    private EpochBench() {}

    /** No arguments. */
    public static void main(String[] arguments) {
        List<SurveyResult> computed = IntStream.range(0, EPOCHS)
                .mapToObj(i -> Survey.compute(campaign(i).job()))
                .toList();
        double[] figures = new double[ROUNDS];
        double[] all = new double[ROUNDS];
        double[] general = new double[ROUNDS];
        for (int round = -ROUNDS; round < ROUNDS; round++) {
            long began = System.nanoTime();
            List<Epoch> epochs = new ArrayList<>();
            for (int i = 0; i < EPOCHS; i++) {
                epochs.add(Survey.epoch(computed.get(i), "epoch " + i, day(i), setup -> true));
            }
            long figured = System.nanoTime();
            Epochs.of(epochs, REFERENCE);
            long compared = System.nanoTime();
            RealMatrix q = MatrixUtils.createRealMatrix(
                    epochs.get(0).plan().orElseThrow().covariance());
            new SingularValueDecomposition(q).getSolver().getInverse();
            if (round >= 0) {
                figures[round] = (figured - began) / 1e6 / EPOCHS;
                all[round] = (compared - figured) / 1e6;
                general[round] = (System.nanoTime() - compared) / 1e6;
            }
        }
        double bare = median(general);
        System.out.printf(Locale.ROOT, "  a pseudo-inverse by a general library   %7.1f ms%n", bare);
        System.out.printf(
                Locale.ROOT,
                "  the figure of one epoch                 %7.1f ms  %5.2f%n",
                median(figures),
                median(figures) / bare);
        System.out.printf(
                Locale.ROOT,
                "  all comparisons and time lines          %7.1f ms  %5.2f%n",
                median(all),
                median(all) / bare);
    }

    private static double median(double[] times) {
        Arrays.sort(times);
        return times[times.length / 2];
    }

    private static Instant day(int epoch) {
        return Instant.parse("2026-01-01T00:00:00Z").plusSeconds(30L * 86400 * epoch);
    }

    private static Campaign campaign(int epoch) {
        World world = new World();
        List<String> marks = new ArrayList<>();
        for (int i = 0; i < REFERENCE.size(); i++) {
            double at = 2 * Math.PI * i / REFERENCE.size();
            world.with(REFERENCE.get(i), 200 * Math.cos(at), 200 * Math.sin(at), 100 + i);
        }
        for (int i = 0; i < MARKS; i++) {
            marks.add("M" + i);
            world.with("M" + i, 20 * (i % 8) - 70, 20 * (i / 8) - 70, 105 + 0.3 * i);
        }
        world.with("P1", -100, 0, 102).with("P2", 100, 10, 104);
        Campaign campaign = new Campaign(epoch, world, Preset.PRECISE, Campaigns.instrument(1), Campaigns.prism(), 1);
        REFERENCE.forEach(campaign::control);
        marks.forEach(campaign::wanted);
        return campaign.wanted("P1")
                .wanted("P2")
                .on(day(epoch))
                .free("S1", "P1", REFERENCE, marks)
                .free("S2", "P2", REFERENCE, marks);
    }
}
