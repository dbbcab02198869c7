package markturn.survey.finding.standing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.judgement.TraverseLimits;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Adopted;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.Setup;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredTraverse;
import markturn.survey.result.Resected;

/**
 * A job at a glance, for whoever has to answer for it.
 *
 * @param proved marks that something independent has tested, with what that was
 * @param oneSight marks that rest on one sight
 * @param untested control that nothing in this job proves: not tested, or over its limit
 * @param accepted findings that were accepted against a limit, with who and why
 * @param selfReviewed what was accepted or adopted by who observed it
 * @param open stops that nobody has answered
 * @param unproved setups that are unproved
 */
public record Glance(
        List<Standing> proved,
        List<Standing> oneSight,
        List<Standing> untested,
        List<Finding> accepted,
        List<Decision> selfReviewed,
        List<Finding> open,
        List<String> unproved) {
    /** Located points named of each setup. */
    private static final int MOST_NAMED = 8;

    /** A mark, and on what it stands. */
    public record Standing(MeasuredMark mark, String why) {
        /** What kind of mark it is, in words. */
        public String kind() {
            return switch (mark.mark().kind()) {
                case CONTROL -> "control";
                case NEW -> "new control";
                case LOCATED -> "located";
            };
        }

        private boolean isLocated() {
            return mark.mark().kind() == Mark.Kind.LOCATED;
        }

        /** Its name, and its kind where it is more than a located point. */
        public String called() {
            return isLocated() ? mark.name() : mark.name() + " (" + kind() + ")";
        }
    }

    /** Of a computed job. */
    public static Glance of(Job job, Measured measured, List<Judgement> judgements, List<Finding> findings) {
        return new Looking(job, measured, judgements).glance(findings);
    }

    /** The whole in a sentence. */
    public String sentence() {
        if (!open.isEmpty()) {
            return "%d %s open: answer %s before anything is adopted or delivered."
                    .formatted(
                            open.size(), open.size() == 1 ? "stop is" : "stops are", open.size() == 1 ? "it" : "them");
        }
        String tested = "%d %s tested by something independent, %d %s on one sight"
                .formatted(
                        proved.size(),
                        proved.size() == 1 ? "mark is" : "marks are",
                        oneSight.size(),
                        oneSight.size() == 1 ? "rests" : "rest");
        return unproved.isEmpty()
                ? tested + "; every setup is accepted."
                : tested + "; unproved: " + String.join(", ", unproved) + ".";
    }

    /** What rests on one sight of one setup: new control and the first few located points, and how many more located points there are. */
    public record OfOneSetup(String setup, List<Standing> named, int more) {
        private static OfOneSetup of(String setup, List<Standing> marks) {
            List<Standing> named = new ArrayList<>();
            List<Standing> located = new ArrayList<>();
            marks.forEach(s -> (s.isLocated() ? located : named).add(s));
            // One that is left over is named: "1 more" takes no less room.
            int shown = located.size() <= MOST_NAMED + 1 ? located.size() : MOST_NAMED;
            named.addAll(located.subList(0, shown));
            return new OfOneSetup(setup, named, located.size() - shown);
        }

        /** What is not named, in words; empty where all are. */
        public String rest() {
            return more == 0 ? "" : "%d more located points".formatted(more);
        }

        /** All of it in a line. */
        public String words() {
            List<String> names = new ArrayList<>();
            named.forEach(s -> names.add(s.called()));
            if (more > 0) {
                names.add(rest());
            }
            return setup + ": " + Words.names(names) + ".";
        }
    }

    /**
     * What rests on one sight, setup by setup. Hundreds of names would be pages that nobody reads, and each stands among the coordinates.
     */
    public List<OfOneSetup> oneSightBySetup() {
        Map<String, List<Standing>> bySetup = new LinkedHashMap<>();
        oneSight.forEach(
                s -> bySetup.computeIfAbsent(s.mark().from().orElse("an unknown setup"), from -> new ArrayList<>())
                        .add(s));
        List<OfOneSetup> all = new ArrayList<>();
        bySetup.forEach((setup, marks) -> all.add(OfOneSetup.of(setup, marks)));
        return all;
    }

    private static final class Looking {
        /** A shift of one of two marks along the line between them can stay invisible: a station on two is not proved. */
        private static final int TWO_PROVE_NOTHING = 2;

        private final Job job;
        private final Measured measured;
        private final Words words;
        // A job may have a hundred thousand marks: what is asked of each is laid beside it once.
        private final Map<String, List<CheckTable.Row>> checks;
        private final Map<String, List<Compared>> backsights;
        private final Map<String, List<MeasuredSetup>> freeStations;
        private final Map<String, List<MeasuredTraverse>> routes = new HashMap<>();
        private final Map<String, Adopted> adopted = new HashMap<>();
        private final Map<Judged, List<Judgement>> judged;

        Looking(Job job, Measured measured, List<Judgement> judgements) {
            this.job = job;
            this.measured = measured;
            this.words = new Words(job.units());
            this.checks = CheckTable.of(job, measured, judgements).stream()
                    .collect(Collectors.groupingBy(row -> row.check().mark()));
            this.backsights = measured.setups().stream()
                    .flatMap(setup -> setup.backsights().stream().map(b -> new Compared(setup, b)))
                    .collect(Collectors.groupingBy(
                            compared -> job.trueName(compared.backsight().target())));
            this.freeStations = measured.setups().stream()
                    .filter(s -> s.setup().isFree())
                    .collect(Collectors.groupingBy(s -> job.trueName(s.setup().station())));
            for (MeasuredTraverse run : measured.traverses()) {
                Set<String> marks =
                        run.traverse().route().stream().map(job::trueName).collect(Collectors.toSet());
                marks.forEach(mark ->
                        routes.computeIfAbsent(mark, m -> new ArrayList<>()).add(run));
            }
            job.adopted().forEach(by -> adopted.put(job.trueName(by.mark()), by));
            this.judged = judgements.stream()
                    .collect(Collectors.groupingBy(j -> new Judged(j.quantity(), j.setup(), j.target())));
        }

        Glance glance(List<Finding> findings) {
            List<Standing> proved = new ArrayList<>();
            List<Standing> oneSight = new ArrayList<>();
            List<Standing> untested = new ArrayList<>();
            Set<String> setups = Proof.unproved(job, measured, findings);
            for (MeasuredMark mark : measured.marks()) {
                if (mark.position().isEmpty()) {
                    continue;
                }
                boolean given = mark.mark().given().isPresent();
                Optional<String> proof = given ? testOf(mark) : proofOf(mark);
                if (proof.isPresent()) {
                    proved.add(new Standing(mark, proof.get()));
                } else if (!given) {
                    oneSight.add(
                            new Standing(mark, "one sight from " + mark.from().orElse("an unknown setup")));
                } else if (mark.mark().kind() == Mark.Kind.CONTROL) {
                    untested.add(
                            new Standing(mark, contradiction(mark).orElse("as given; nothing here has tested it")));
                }
            }
            return new Glance(
                    proved,
                    oneSight,
                    untested,
                    findings.stream().filter(f -> f.answer().isPresent()).toList(),
                    job.decisions().stream()
                            .filter(d -> d.after()
                                    .filter(Decision.SELF_REVIEWED::equals)
                                    .isPresent())
                            .toList(),
                    findings.stream().filter(Finding::isOpenStop).toList(),
                    job.setups().stream()
                            .map(Setup::name)
                            .filter(setups::contains)
                            .toList());
        }

        private Optional<String> proofOf(MeasuredMark mark) {
            return adopted(mark).or(() -> closed(mark)).or(() -> resected(mark)).or(() -> seenAgain(mark));
        }

        private Optional<String> adopted(MeasuredMark mark) {
            return Optional.ofNullable(adopted.get(mark.name()))
                    .map(a -> "adopted from %s by %s".formatted(a.from(), a.by()))
                    .or(() -> mark.adjustedBy().map(run -> "adjusted in " + run));
        }

        private Optional<String> closed(MeasuredMark mark) {
            return routes.getOrDefault(mark.name(), List.of()).stream()
                    .filter(run -> run.linear().isPresent() && !TraverseLimits.isOut(job, run))
                    .map(run -> "on %s, which closes by %s"
                            .formatted(run.name(), words.difference(run.linear().getAsDouble())))
                    .findFirst();
        }

        private Optional<String> resected(MeasuredMark mark) {
            return freeStations.getOrDefault(mark.name(), List.of()).stream()
                    .filter(s -> s.redundancy().orElse(0) > 0 && usedMarks(s) > TWO_PROVE_NOTHING)
                    .map(s -> "resected from %d marks, redundancy %d"
                            .formatted(usedMarks(s), s.redundancy().getAsInt()))
                    .findFirst();
        }

        private static long usedMarks(MeasuredSetup setup) {
            return setup.resected().map(Resected::sights).orElse(List.of()).stream()
                    .filter(Resected.Sighted::isUsed)
                    .count();
        }

        private Optional<String> seenAgain(MeasuredMark mark) {
            return checks.getOrDefault(mark.name(), List.of()).stream()
                    .filter(row -> row.verdict().isPresent()
                            && !row.isOut()
                            && !row.check().from().equals(row.first()))
                    .map(row -> "seen from %s too, %s apart, %s"
                            .formatted(
                                    row.check().from(),
                                    words.difference(row.check().plan().orElse(0)),
                                    row.words()))
                    .findFirst();
        }

        private Optional<String> contradiction(MeasuredMark mark) {
            return checks.getOrDefault(mark.name(), List.of()).stream()
                    .filter(CheckTable.Row::isOut)
                    .map(row -> "seen from %s it lies %s off, over its limit"
                            .formatted(
                                    row.check().from(),
                                    words.difference(row.check().plan().orElse(0))))
                    .findFirst();
        }

        /** Control is tested where it was sighted and agreed, or where its distance as a backsight was compared and stood. */
        private Optional<String> testOf(MeasuredMark mark) {
            return seenAgain(mark)
                    .or(() -> backsights.getOrDefault(mark.name(), List.of()).stream()
                            .filter(c -> c.backsight().distanceDifference().isPresent() && stood(c))
                            .map(c -> "its distance compared at %s, %s off"
                                    .formatted(
                                            c.setup().name(),
                                            words.difference(c.backsight()
                                                    .distanceDifference()
                                                    .getAsDouble())))
                            .findFirst());
        }

        /** Whether a backsight was judged, and kept its limit: of a free station it is judged among the marks. */
        private boolean stood(Compared compared) {
            Limit limit = compared.setup().setup().isFree() ? Limit.RESECTION_POSITION : Limit.BACKSIGHT_DISTANCE;
            List<Judgement> own = judged.getOrDefault(
                    new Judged(
                            limit, compared.setup().name(), compared.backsight().target()),
                    List.of());
            return !own.isEmpty() && own.stream().noneMatch(Judgement::isOut);
        }

        /** A backsight, and the setup that sighted it. */
        private record Compared(MeasuredSetup setup, MeasuredSetup.Backsight backsight) {}

        /** What was judged of a target of a setup. */
        private record Judged(Limit quantity, String setup, String target) {}
    }
}
