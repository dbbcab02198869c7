package markturn.survey.finding.figure;

import java.util.List;
import java.util.stream.Stream;
import markturn.survey.finding.base.Evidence;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.Finding.Severity;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.base.Rule;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Mark;
import markturn.survey.job.SatelliteFix;
import markturn.survey.result.MeasuredNetwork;

/** An adoption that was asked for and changes nothing: of an open traverse, or for marks that are given or fixed by observation. */
final class AdoptionWithoutEffect implements Rule {
    @Override
    public Stream<Finding> judge(Evidence evidence) {
        Stream<Finding> open = evidence.measured().traverses().stream()
                .filter(t -> t.traverse().adopt() && t.northing().isEmpty())
                .map(t -> found("%s is open: it closes on nothing that is known, so nothing of it was adopted."
                        .formatted(t.traverse().name())));
        List<String> kept = evidence
                .measured()
                .network()
                .filter(n -> evidence.job().network().adopt())
                .map(MeasuredNetwork::marks)
                .orElse(List.of())
                .stream()
                .map(MeasuredNetwork.Adjusted::name)
                .filter(mark -> isGiven(evidence, mark))
                .toList();
        return kept.isEmpty()
                ? open
                : Stream.concat(
                        open,
                        Stream.of(found(
                                "Adopting the network changes nothing of %s: given coordinates, and those fixed by observation, stay what they are."
                                        .formatted(Words.names(kept)))));
    }

    private static boolean isGiven(Evidence evidence, String mark) {
        return evidence.job().mark(mark).flatMap(Mark::given).isPresent()
                || evidence.job().standingFixes().stream()
                        .anyMatch(f -> f.use() == SatelliteFix.Use.OBSERVATION
                                && evidence.job().trueName(f.mark()).equals(mark));
    }

    private static Finding found(String text) {
        return Finding.of(FindingCode.ADOPTION_WITHOUT_EFFECT, Severity.NOTE, "", "", text);
    }
}
