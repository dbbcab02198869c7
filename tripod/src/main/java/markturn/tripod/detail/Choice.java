package markturn.tripod.detail;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import markturn.survey.job.Code;
import markturn.survey.job.Job;
import markturn.survey.job.Joining;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;

/**
 * What stays from shot to shot until it is changed. Whatever the page does not say follows from the record: the code from the last shot,
 * a pole's height from where it was last used.
 *
 * @param built whether anything will be built on what is sighted: then it is new control
 * @param joining how the next point joins a line of its code
 * @param name a name typed in place of the next free one
 * @param later whether a special sight that was begun is left for later
 * @param all whether every line of the setup is shown, not the last ones only
 * @param asTheGroundLies whether the sketch lies as the observer looks, instead of north up
 */
public record Choice(
        String code,
        String reflector,
        Reading.Face face,
        boolean built,
        Optional<Joining> joining,
        Optional<String> name,
        boolean later,
        boolean all,
        boolean asTheGroundLies) {
    /** As an address or a form says it: fields of the names above, {@code join} and {@code line} for joining, {@code up} for the sketch. */
    public static Choice of(Map<String, String> asked, Job job, Setup setup) {
        String code = Optional.ofNullable(asked.get("code"))
                .filter(c -> !c.isBlank() && c.length() <= 60)
                .map(String::strip)
                .or(() -> lastCode(job, setup))
                .orElse(job.codes().isEmpty() ? "" : job.codes().get(0).name());
        String reflector = Optional.ofNullable(asked.get("reflector"))
                .filter(r -> reflectors(job).contains(r))
                .or(() -> lastDetail(setup).map(Reading::reflector))
                .orElse(reflectors(job).get(0));
        Reading.Face face = "right".equalsIgnoreCase(asked.get("face")) ? Reading.Face.RIGHT : Reading.Face.LEFT;
        return new Choice(
                code,
                reflector,
                face,
                "yes".equals(asked.get("built")),
                joining(asked, job, code),
                Optional.ofNullable(asked.get("name")).map(String::strip).filter(n -> !n.isEmpty()),
                "yes".equals(asked.get("later")),
                "yes".equals(asked.get("all")),
                "ground".equals(asked.get("up")));
    }

    /** What the next point is sighted for. */
    public Reading.Role role() {
        return built ? Reading.Role.FORESIGHT : Reading.Role.DETAIL;
    }

    /** How the next point joins its line, behind its name in a sentence. */
    static String words(Joining joining) {
        return switch (joining.act()) {
            case BEGIN -> ", begins line " + joining.line();
            case GO_ON -> ", on line " + joining.line();
            case CLOSE -> ", closes line " + joining.line();
        };
    }

    /** All that can stand on a mark or be sighted bare. */
    static List<String> reflectors(Job job) {
        return Stream.concat(
                        job.reflectors().stream()
                                .map(Reflector::name)
                                .filter(name -> !name.equals(Reflector.REFLECTORLESS)),
                        Stream.of(Reflector.REFLECTORLESS))
                .toList();
    }

    static Optional<Reading> lastDetail(Setup setup) {
        return setup.readings().stream()
                .filter(r -> r.stands() && r.role() == Reading.Role.DETAIL)
                .reduce((earlier, later) -> later);
    }

    private static Optional<String> lastCode(Job job, Setup setup) {
        return lastDetail(setup)
                .flatMap(r -> job.mark(r.target()))
                .map(Mark::code)
                .filter(code -> !code.isEmpty());
    }

    private static Optional<Joining> joining(Map<String, String> asked, Job job, String called) {
        Code code = job.code(called);
        String act = asked.getOrDefault("join", "");
        if (act.equals("none") || (!code.line() && act.isEmpty())) {
            return Optional.empty();
        }
        List<Integer> open = openLines(job, called);
        int fresh = freshLine(job, called);
        int line = number(asked.get("line")).orElse(open.isEmpty() ? fresh : open.get(open.size() - 1));
        if (act.equals(Joining.Act.BEGIN.key())) {
            return Optional.of(new Joining(fresh, Joining.Act.BEGIN));
        }
        if (!open.contains(line)) {
            return Optional.of(new Joining(line, Joining.Act.BEGIN));
        }
        return Optional.of(
                new Joining(line, act.equals(Joining.Act.CLOSE.key()) ? Joining.Act.CLOSE : Joining.Act.GO_ON));
    }

    private static OptionalInt number(String text) {
        return text != null && text.matches("\\d{1,6}") && Integer.parseInt(text) > 0
                ? OptionalInt.of(Integer.parseInt(text))
                : OptionalInt.empty();
    }

    /** The number of a line of a code that is still to be begun. */
    static int freshLine(Job job, String code) {
        return linesOf(job, code).max().orElse(0) + 1;
    }

    private static java.util.stream.IntStream linesOf(Job job, String code) {
        return job.marks().stream()
                .filter(m -> m.code().equals(code))
                .flatMap(m -> m.joining().stream())
                .mapToInt(Joining::line);
    }

    /** The lines of a code that can be gone on with, the one last worked on at the end. */
    static List<Integer> openLines(Job job, String code) {
        java.util.LinkedHashMap<Integer, Joining.Act> last = new java.util.LinkedHashMap<>();
        for (Mark mark : job.marks()) {
            if (mark.code().equals(code) && mark.joining().isPresent()) {
                last.remove(mark.joining().get().line());
                last.put(mark.joining().get().line(), mark.joining().get().act());
            }
        }
        return last.entrySet().stream()
                .filter(e -> e.getValue() != Joining.Act.CLOSE)
                .map(Map.Entry::getKey)
                .toList();
    }

    /** The height a pole was last used with here, then at the setup before, and so on; then the usual one of the code. */
    static Optional<MeasuredHeight> height(Job job, Setup here, String reflector, Code code) {
        if (reflector.equals(Reflector.REFLECTORLESS)) {
            return Optional.empty();
        }
        List<Setup> latestFirst = new ArrayList<>(job.setups());
        Collections.reverse(latestFirst);
        return Stream.concat(Stream.of(here), latestFirst.stream())
                .flatMap(setup -> lastUsed(setup, reflector).stream())
                .findFirst()
                .or(() -> code.targetHeight().isPresent()
                        ? Optional.of(MeasuredHeight.toAxis(code.targetHeight().getAsDouble()))
                        : Optional.empty());
    }

    private static Optional<MeasuredHeight> lastUsed(Setup setup, String reflector) {
        return setup.readings().stream()
                .filter(r -> r.role() == Reading.Role.DETAIL && r.reflector().equals(reflector))
                .flatMap(r -> r.targetHeight().stream())
                .reduce((earlier, later) -> later);
    }
}
