package markturn.survey.finding.sets;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Measure;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.GatheringRule;
import markturn.survey.finding.base.SetupEvidence;
import markturn.survey.finding.words.Words;
import markturn.survey.instrument.InstrumentShown;
import markturn.survey.instrument.Jump;
import markturn.survey.job.Instrument;
import markturn.survey.job.Instrument.Remembered;
import markturn.survey.job.Units;

/** Collimation or index are no longer what they were at the setups before, in this job and what was remembered of others. */
final class CollimationJump implements GatheringRule<CollimationJump.Shown> {
    /** What a setup showed of its instrument. */
    record Shown(Instrument instrument, String setup, Remembered remembered) {}

    @Override
    public List<Shown> gather(SetupEvidence evidence) {
        return evidence.settings().instruments().stream()
                .filter(i -> i.name().equals(evidence.setup().setup().instrument()))
                .flatMap(i -> InstrumentShown.from(evidence.setup(), i)
                        .flatMap(InstrumentShown::remembered)
                        .map(remembered -> new Shown(i, evidence.setup().name(), remembered))
                        .stream())
                .toList();
    }

    @Override
    public Stream<Finding> judge(Evidence evidence, List<Shown> gathered) {
        Map<String, List<Remembered>> before = new LinkedHashMap<>();
        List<Finding> found = new ArrayList<>();
        for (Shown shown : gathered) {
            List<Remembered> known = before.computeIfAbsent(
                    shown.instrument().name(),
                    name -> new ArrayList<>(shown.instrument().remembered()));
            for (Jump jump : Jump.of(known, shown.remembered())) {
                found.add(finding(evidence, shown.setup(), jump));
            }
            known.add(shown.remembered());
        }
        return found.stream();
    }

    private static Finding finding(Evidence evidence, String setup, Jump jump) {
        Units units = evidence.job().units();
        return Finding.of(
                        FindingCode.COLLIMATION_JUMP,
                        Severity.WARN,
                        setup,
                        "",
                        "%s %s at this setup, %s until %s: something happened to the instrument. Test it before you rely on one face."
                                .formatted(
                                        jump.index() ? "Vertical index" : "Collimation",
                                        signed(units, jump.now()),
                                        signed(units, jump.before()),
                                        day(jump.lastGood())))
                .with(Measure.ARC, Math.abs(jump.now() - jump.before()), jump.limit());
    }

    private static String signed(Units units, double radians) {
        return Words.number(radians / units.angle().small(), 1) + units.angle().smallSign();
    }

    /** By universal time, so that a job computes to the same words on every machine. */
    private static String day(Instant at) {
        return at.toString().substring(0, "2026-05-04".length());
    }
}
