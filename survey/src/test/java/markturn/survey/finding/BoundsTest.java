package markturn.survey.finding;

import static markturn.survey.Jobs.all;
import static markturn.survey.Jobs.pair;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.survey.Jobs;
import markturn.survey.Survey;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.standing.Proof;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Reading;
import markturn.survey.job.Reading.Role;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where a judgement begins, from both sides of its bound. Source of the mistakes: practice.md 11; of their bounds: common practice, no source. */
class BoundsTest {
    private static List<Finding> found(Job job, FindingCode code) {
        return Survey.compute(job).findings().stream()
                .filter(f -> f.code() == code)
                .toList();
    }

    private static Job sights(double back, double fore) {
        return Jobs.with(all(
                pair("B", Role.BACKSIGHT, 1, "0-00-00", "180-00-00", back),
                pair("T1", Role.FORESIGHT, 1, "80-00-00", "260-00-00", fore)));
    }

    @Test
    void aSightMayBeTwiceAsLongAsTheBacksight() {
        assertThat(found(sights(100, 199.5), FindingCode.SHORT_BACKSIGHT)).isEmpty();
        assertThat(found(sights(100, 200.5), FindingCode.SHORT_BACKSIGHT))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.value().getAsDouble()).isCloseTo(2.005, within(1e-3));
                    assertThat(f.limit()).hasValue(2);
                    // 1 mm beside 100 m is 2.005 mm at 200.5 m; so is the instrument's centring of 1 mm.
                    assertThat(f.text()).contains("is 2.0 mm at the foresight; centring alone makes it 2.0 mm");
                });
    }

    @ParameterizedTest
    @CsvSource({"3, 8, false", "4, 16, false", "5, 20, false", "4, 15, true", "6, 20, true"})
    void aQuarterOfThePointingsAndMoreThanThreeStruckOut(int struck, int booked, boolean said) {
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; readings.size() < booked; i++) {
            readings.addAll(pair(i % 2 == 0 ? "B" : "T1", Role.CHECK, 1, "0-00-00", "180-00-00", 100));
        }
        List<Reading> some = new ArrayList<>(readings.subList(0, booked));
        for (int i = 0; i < struck; i++) {
            some.set(i, some.get(i).struckOut("bump"));
        }
        List<Finding> found = found(Jobs.with(some), FindingCode.COAXING);
        assertThat(found).hasSize(said ? 1 : 0);
        found.forEach(f -> {
            assertThat(f.value()).hasValue(struck);
            assertThat(f.limit()).hasValue(booked * 0.25);
        });
    }

    /** Acceptances of before there was a digest count every line that was booked, and those of them that were struck out. */
    @Test
    void anAcceptanceWithoutADigestCountsBookedAndStruckOut() {
        Job job = sights(100, 100);
        job = job.withSetup("S1", s -> s.withReading(3, r -> r.struckOut("bump")));
        assertThat(holds(job, 4, 1)).isTrue();
        assertThat(holds(job, 3, 1)).isFalse();
        assertThat(holds(job, 4, 0)).isFalse();
        assertThat(holds(job.withSetup("S1", s -> s.withReading(3, Reading::restored)), 4, 1))
                .isFalse();
    }

    private static boolean holds(Job job, int booked, int struck) {
        Job accepted = job.plus(new Decision(
                Optional.empty(),
                "Ida",
                Decision.ACCEPT,
                Map.of("setup", "S1", Proof.BOOKED, booked, Proof.STRUCK, struck),
                "",
                Optional.empty(),
                Optional.empty()));
        return Proof.acceptance(accepted, accepted.setup("S1").orElseThrow()).isPresent();
    }
}
