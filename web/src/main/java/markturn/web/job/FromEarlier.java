package markturn.web.job;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import markturn.report.LimitRows;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Adopted;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;

/** What a new job takes over from an earlier one, by ticks: nothing that was measured, but what was adopted counts as control. */
final class FromEarlier {
    /** What can be ticked, by the name of its field. */
    static final String EARTH = "earth";

    static final String INSTRUMENTS = "instruments";
    static final String REFLECTORS = "reflectors";
    static final String CODES = "codes";
    static final String MARKS = "marks";

    private FromEarlier() {}

    /**
     * Something that can be ticked.
     *
     * @param words what it is in the earlier job
     */
    public record Part(String key, String name, String words) {}

    /** A control mark that can be ticked. */
    public record Control(String name, String place) {}

    /** The parts that the earlier job has anything of. */
    static List<Part> parts(Job earlier) {
        List<Part> parts = new ArrayList<>();
        parts.add(new Part(
                EARTH,
                "Projection, scale, curvature and refraction",
                earlier.earth()
                        .projection()
                        .map(p -> "projection " + p.definition())
                        .orElse("scale factor " + earlier.earth().scaleFactor() + ", no projection")));
        add(
                parts,
                INSTRUMENTS,
                "Instruments",
                earlier.instruments().stream().map(Instrument::name).toList());
        add(
                parts,
                REFLECTORS,
                "Reflectors",
                earlier.reflectors().stream().map(r -> r.name()).toList());
        if (!earlier.codes().isEmpty()) {
            parts.add(new Part(CODES, "Codes", Sentence.count(earlier.codes().size(), "code", "codes")));
        }
        return parts;
    }

    private static void add(List<Part> parts, String key, String name, List<String> names) {
        if (!names.isEmpty()) {
            parts.add(new Part(key, name, String.join(", ", names)));
        }
    }

    /** The control of a job for others: what was given, and what was adopted, which takes the place of nothing given. */
    static List<Mark> control(Job earlier) {
        Map<String, Mark> control = new LinkedHashMap<>();
        for (Mark mark : earlier.marks()) {
            if (mark.kind() == Mark.Kind.CONTROL
                    && mark.given().isPresent()
                    && mark.sameAs().isEmpty()) {
                control.put(mark.name(), mark);
            }
        }
        for (Adopted adopted : earlier.adopted()) {
            String name = earlier.trueName(adopted.mark());
            boolean given = earlier.mark(name).flatMap(Mark::given).isPresent();
            if (!given) {
                control.put(
                        name,
                        Mark.named(name, Mark.Kind.CONTROL)
                                .withGiven(
                                        adopted.position(),
                                        "adopted in %s from %s by %s"
                                                .formatted(earlier.name(), adopted.from(), adopted.by()))
                                .withStdDev(adopted.stdDev()));
            }
        }
        return List.copyOf(control.values());
    }

    /** The same as the form shows them. */
    static List<Control> shown(Job earlier) {
        Display show = new Display(earlier.units());
        return control(earlier).stream()
                .map(m -> new Control(
                        m.name(),
                        show.place(
                                m.given().orElseThrow().northing(),
                                m.given().orElseThrow().easting(),
                                m.given().orElseThrow().elevation())))
                .toList();
    }

    /** Those within a distance (metres) of a mark that has coordinates in the earlier job. */
    static Predicate<Mark> within(Job earlier, String around, double distance) {
        Optional<Mark.Coordinates> middle = control(earlier).stream()
                .filter(m -> m.name().equals(around))
                .findFirst()
                .flatMap(Mark::given);
        return mark -> middle.isPresent()
                && Math.hypot(
                                mark.given().orElseThrow().northing()
                                        - middle.get().northing(),
                                mark.given().orElseThrow().easting()
                                        - middle.get().easting())
                        <= distance;
    }

    /**
     * The job with what was ticked.
     *
     * @param opened as the form describes it
     * @param known an instrument as the office knows it now
     */
    static Job taken(
            Job opened, Job earlier, Set<String> parts, Predicate<Mark> marks, Function<Instrument, Instrument> known) {
        Job job = parts.contains(EARTH) ? opened.withEarth(earlier.earth()) : opened;
        if (parts.contains(INSTRUMENTS)) {
            for (Instrument instrument : earlier.instruments()) {
                job = job.plus(known.apply(instrument));
            }
        }
        if (parts.contains(REFLECTORS)) {
            for (var reflector : earlier.reflectors()) {
                job = job.plus(reflector);
            }
        }
        if (parts.contains(CODES)) {
            job = job.withCodes(earlier.codes());
        }
        for (Mark mark : control(earlier)) {
            if (marks.test(mark)) {
                job = job.plus(mark.withFound(Optional.empty()));
            }
        }
        return job;
    }

    /** The fields of the form as the earlier job fills them. */
    static Map<String, String> typed(Job earlier) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("place", earlier.place());
        typed.put("length", earlier.units().length().key());
        typed.put(
                "angle",
                earlier.units().angle() == AngleUnit.DMS
                        ? "dms"
                        : earlier.units().angle().key());
        typed.put("bearings", earlier.units().bearings().key());
        typed.put("timeZone", earlier.units().timeZone());
        typed.put("classOfWork", earlier.classOfWork().preset().key());
        if (earlier.planOnly()) {
            typed.put("planOnly", "on");
        }
        earlier.classOfWork()
                .overrides()
                .forEach((limit, value) -> typed.put("limit-" + limit.key(), number(value / LimitRows.unit(limit))));
        for (Part part : parts(earlier)) {
            typed.put("take-" + part.key(), "on");
        }
        return typed;
    }

    private static String number(double value) {
        return java.math.BigDecimal.valueOf(value)
                .round(new java.math.MathContext(9))
                .stripTrailingZeros()
                .toPlainString();
    }
}
