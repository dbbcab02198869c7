package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.show.Sentence;

/** What was noted anew beside a line: the note before stays legible. */
final class NotedAnew {
    private NotedAnew() {}

    /** What a line is worth, and what was noted anew with it. */
    static List<String> phrases(Job job, Setup setup, Margin margin, int place) {
        List<String> phrases = new ArrayList<>(margin.phrases(place));
        job.decisions().stream()
                .filter(d -> d.what().equals(Decision.RENOTE)
                        && d.concerning("setup").equals(setup.name())
                        && d.on().get("readings") instanceof List<?> places
                        && places.stream().anyMatch(p -> p instanceof Number n && n.intValue() == place))
                .forEach(d -> phrases.add(Sentence.of(
                        "noted anew by %s: %s was %s (%s)", d.by(), words(d.concerning("note")), was(d), d.reason())));
        return phrases;
    }

    private static String words(String note) {
        return note.replaceAll("([A-Z])", " $1").toLowerCase(Locale.ROOT);
    }

    private static String was(Decision decision) {
        return decision.before()
                .map(b -> b instanceof Map<?, ?> map && map.containsKey("value") ? "" + map.get("value") : "" + b)
                .orElse("empty");
    }
}
