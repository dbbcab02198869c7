package markturn.report;

import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import markturn.survey.SurveyResult;
import markturn.survey.finding.standing.Glance;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Job;
import markturn.survey.result.MeasuredNetwork;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.show.Display;

/**
 * What every section of a report reads.
 *
 * @param network the whole job in one adjustment, where that was computed
 * @param adjusted its marks by their names
 */
record Reported(
        SurveyResult result,
        Optional<MeasuredNetwork> network,
        Map<String, Adjusted> adjusted,
        Glance glance,
        Display show,
        Words words) {
    static Reported of(SurveyResult result, Optional<MeasuredNetwork> network) {
        Job job = result.job();
        return new Reported(
                result,
                network.filter(n -> n.why().isEmpty()),
                network.map(n -> n.marks().stream()
                                .collect(Collectors.toMap(Adjusted::name, Function.identity(), (a, b) -> a)))
                        .orElse(Map.of()),
                Glance.of(job, result.measured(), result.judgements(), result.findings()),
                new Display(job.units()),
                new Words(job.units()));
    }

    Job job() {
        return result.job();
    }
}
