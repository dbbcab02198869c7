package markturn.tripod.detail;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import markturn.survey.job.Construction;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reading;

/** Sights that several pointings make up: round objects, corners by two lines, heights of what cannot be reached. */
final class SpecialSights {
    private final Job job;

    SpecialSights(Job job) {
        this.job = job;
    }

    /** What is to be sighted next of a special sight: at which mark, in words, and whether its angles are enough. */
    record Step(Mark of, String target, String words, boolean angleOnly) {}

    /** The marks that a special sight needs, the one it is all about at the end. */
    static List<Mark> begun(String kind, String name, String code) {
        List<String> bases = switch (kind) {
            case "round" -> List.of(name + " left", name + " right", name + " front");
            case "corner" -> List.of(name + " a1", name + " a2", name + " b1", name + " b2");
            default -> List.of(name + " base");
        };
        Construction by = switch (kind) {
            case "round" -> new Construction.Round(bases.get(0), bases.get(1), bases.get(2));
            case "corner" -> new Construction.Corner(bases.get(0), bases.get(1), bases.get(2), bases.get(3));
            default -> new Construction.Above(bases.get(0));
        };
        List<Mark> marks = new ArrayList<>();
        bases.forEach(base -> marks.add(Mark.named(base, Mark.Kind.LOCATED)));
        marks.add(Mark.named(name, Mark.Kind.LOCATED).withCode(code).withConstruction(by));
        return marks;
    }

    /** What has been begun and lacks a sight, the oldest first. */
    List<DetailSheet.Unfinished> unfinished() {
        return constructed()
                .map(m -> new DetailSheet.Unfinished(
                        m.name(), what(m.by().orElseThrow()), unsighted(m).size()))
                .filter(u -> u.left() > 0)
                .toList();
    }

    /** The next step; empty where nothing is begun. */
    Optional<Step> next() {
        return constructed().flatMap(m -> step(m).stream()).findFirst();
    }

    private Stream<Mark> constructed() {
        return job.marks().stream().filter(m -> m.by().isPresent());
    }

    private List<String> unsighted(Mark mark) {
        Set<String> sighted = job.setups().stream()
                .flatMap(s -> s.readings().stream())
                .filter(Reading::stands)
                .map(Reading::target)
                .collect(Collectors.toSet());
        return targets(mark).stream().filter(t -> !sighted.contains(t)).toList();
    }

    private static List<String> targets(Mark mark) {
        List<String> targets = new ArrayList<>(mark.by().orElseThrow().bases());
        if (mark.by().get() instanceof Construction.Above) {
            targets.add(mark.name());
        }
        return targets;
    }

    private Optional<Step> step(Mark mark) {
        List<String> left = unsighted(mark);
        if (left.isEmpty()) {
            return Optional.empty();
        }
        int at = targets(mark).indexOf(left.get(0));
        Construction by = mark.by().orElseThrow();
        String words = switch (what(by)) {
            case "round object" ->
                List.of(
                                "Sight the LEFT edge: angles only.",
                                "Sight the RIGHT edge: angles only.",
                                "Sight the FRONT, midway between the edges, with the distance.")
                        .get(at);
            case "corner" ->
                List.of(
                                "A first point on the FIRST wall.",
                                "A second point on the FIRST wall, as far from it as can be.",
                                "A first point on the SECOND wall.",
                                "A second point on the SECOND wall.")
                        .get(at);
            default ->
                List.of("The point plumb beneath or above, with the distance.", "Now the thing itself: angles only.")
                        .get(at);
        };
        boolean angleOnly = by instanceof Construction.Round ? at < 2 : by instanceof Construction.Above && at == 1;
        return Optional.of(new Step(mark, left.get(0), words, angleOnly));
    }

    private static String what(Construction by) {
        return by instanceof Construction.Round
                ? "round object"
                : by instanceof Construction.Corner ? "corner" : "height out of reach";
    }
}
