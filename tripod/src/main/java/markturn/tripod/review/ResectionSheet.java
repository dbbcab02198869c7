package markturn.tripod.review;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.angle.Angles;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Limit;
import markturn.survey.job.Setup;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.MeasuredSetup.LeftOut;
import markturn.survey.result.Observation;
import markturn.survey.result.Position;
import markturn.survey.result.Resected;
import markturn.survey.result.Resected.Sighted;
import markturn.survey.result.Resected.Suspicion;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;

/**
 * The numbers of a resection's review as text, cell by cell, and which of them stand out. The page is filled from it at first, and a switch
 * changes just these cells.
 */
public final class ResectionSheet {
    /** Below this an observation is unchecked, in words. */
    private static final double UNCHECKED = 0.1;

    private static final double WEAKLY = 0.3;

    private final MeasuredSetup now;
    private final MeasuredSetup accepted;
    private final Display show;
    private final Words words;
    private final ClassOfWork work;
    private final BookedJob book;
    private final Map<String, String> cells = new LinkedHashMap<>();
    private final List<String> out = new ArrayList<>();

    private ResectionSheet(BookedJob book, MeasuredSetup now) {
        this.book = book;
        this.now = now;
        this.accepted = book.result().measured().setup(now.name());
        this.show = new Display(book.job().units());
        this.words = new Words(show.units());
        this.work = book.job().classOfWork();
    }

    /** The sheet of a station with other marks taking part, beside what is booked. */
    public static ResectionCells of(BookedJob book, MeasuredSetup now) {
        return new ResectionSheet(book, now).filled();
    }

    private ResectionCells filled() {
        Resected resected = now.resected().orElseThrow();
        cells.put("verdict", verdict(resected));
        for (int i = 0; i < resected.sights().size(); i++) {
            row(i, resected.sights().get(i));
        }
        compare();
        leftOut(resected);
        cells.put("groups", groups(resected));
        cells.put("scale", scale(resected));
        cells.put(
                "redundancy",
                now.redundancy().isPresent() ? "" + now.redundancy().getAsInt() : "–");
        cells.put(
                "variance-factor",
                now.varianceFactor().isPresent()
                        ? show.number(now.varianceFactor().getAsDouble(), 2)
                        : "–");
        return new ResectionCells(
                cells, out, now.station().map(station -> ResectionDrawing.of(now, show, Optional.empty())));
    }

    private void row(int i, Sighted sight) {
        String at = "r" + i + "-";
        boolean free = now.setup().isFree();
        Limit plan = free ? Limit.RESECTION_POSITION : Limit.BACKSIGHT_DISTANCE;
        cell(at + "along", sight.along(), limit(sight, plan));
        cell(at + "across", sight.across(), limit(sight, plan));
        cell(at + "up", sight.up(), limit(sight, free ? Limit.RESECTION_ELEVATION : Limit.BACKSIGHT_ELEVATION));
        cells.put(at + "redundancy", redundancy(sight));
        if (sight.redundancy().isPresent() && sight.redundancy().getAsDouble() < UNCHECKED && sight.isUsed()) {
            out.add(at + "redundancy");
        }
        cells.put(at + "standardised", standardised(sight.target()));
        cells.put(at + "detectable", sight.isUsed() ? orAnything(sight.detectable()) : "–");
        cells.put(at + "hidden", sight.isUsed() ? orAnything(sight.hiddenAtStation()) : "–");
        cells.put(at + "ahead", sight.isUsed() ? orAnything(sight.hiddenAhead()) : "–");
    }

    /** The limit that the findings judge it by, as it is booked; the class's where the booked setup has no such residual. */
    private double limit(Sighted sight, Limit quantity) {
        return book.result().judgements().stream()
                .filter(j -> j.quantity() == quantity
                        && j.setup().equals(now.name())
                        && j.target().equals(sight.target()))
                .mapToDouble(Judgement::limit)
                .findFirst()
                .orElse(work.limit(quantity));
    }

    private void cell(String name, OptionalDouble difference, double limit) {
        cells.put(name, show.difference(difference));
        if (difference.isPresent() && Math.abs(difference.getAsDouble()) > limit) {
            out.add(name);
        }
    }

    private static String redundancyWord(double redundancy) {
        return redundancy < UNCHECKED ? "unchecked" : redundancy < WEAKLY ? "weakly checked" : "checked";
    }

    private String redundancy(Sighted sight) {
        if (!sight.isUsed()) {
            return "left out";
        }
        return sight.redundancy().isPresent()
                ? redundancyWord(sight.redundancy().getAsDouble()) + " "
                        + show.number(Math.max(0, sight.redundancy().getAsDouble()), 2)
                : "–";
    }

    private String standardised(String target) {
        return now.observations().stream()
                .filter(o -> o.used()
                        && o.target().equals(target)
                        && o.standardised().isPresent())
                .filter(o -> o.kind() == Observation.Kind.DIRECTION || o.kind() == Observation.Kind.DISTANCE)
                .mapToDouble(o -> Math.abs(o.standardised().getAsDouble()))
                .max()
                .stream()
                .mapToObj(w -> show.number(w, 1))
                .findFirst()
                .orElse("–");
    }

    private String orAnything(OptionalDouble metres) {
        return metres.isPresent() && metres.getAsDouble() < 10 ? show.deviation(metres) : "any";
    }

    private void compare() {
        Optional<Position> before = accepted.station();
        Optional<Position> after = now.station();
        three("north", position(before, Axis.NORTH), position(after, Axis.NORTH));
        three("east", position(before, Axis.EAST), position(after, Axis.EAST));
        three("height", position(before, Axis.UP), position(after, Axis.UP));
        cells.put("orientation-accepted", show.angle(accepted.orientation()));
        cells.put("orientation-now", show.angle(now.orientation()));
        boolean both = accepted.orientation().isPresent() && now.orientation().isPresent();
        cells.put(
                "orientation-change",
                both
                        ? show.small(OptionalDouble.of(
                                        Angles.shortWay(now.orientation().getAsDouble()
                                                - accepted.orientation().getAsDouble())))
                                + show.smallSign()
                        : "–");
        deviations("accepted", accepted);
        deviations("now", now);
        cells.put(
                "ellipse-now",
                after.map(p -> show.deviation(
                                        OptionalDouble.of(p.plan().ellipse().semiMajor())) + " by "
                                + show.deviation(
                                        OptionalDouble.of(p.plan().ellipse().semiMinor())))
                        .orElse("–"));
        cells.put(
                "scale-ppm",
                now.scalePpm().isPresent() ? show.number(now.scalePpm().orElse(0), 1) : "held");
    }

    private enum Axis {
        NORTH,
        EAST,
        UP
    }

    private static OptionalDouble position(Optional<Position> at, Axis axis) {
        return at.map(p -> switch (axis) {
                    case NORTH -> OptionalDouble.of(p.northing());
                    case EAST -> OptionalDouble.of(p.easting());
                    case UP -> p.elevation();
                })
                .orElse(OptionalDouble.empty());
    }

    private void three(String name, OptionalDouble before, OptionalDouble after) {
        cells.put(name + "-accepted", show.length(before));
        cells.put(name + "-now", show.length(after));
        cells.put(
                name + "-change",
                before.isPresent() && after.isPresent()
                        ? show.difference(OptionalDouble.of(after.getAsDouble() - before.getAsDouble()))
                        : "–");
    }

    private void deviations(String which, MeasuredSetup setup) {
        Optional<Position> at = setup.station();
        OptionalDouble none = OptionalDouble.empty();
        cells.put(
                "s-north-" + which,
                at.map(p -> show.rootDeviation(p.plan().nn())).orElse("–"));
        cells.put(
                "s-east-" + which,
                at.map(p -> show.rootDeviation(p.plan().ee())).orElse("–"));
        cells.put(
                "s-height-" + which,
                show.rootDeviation(at.map(Position::elevationVariance).orElse(none)));
        cells.put(
                "s-orientation-" + which,
                setup.orientationVariance().isPresent()
                        ? show.smallSize(OptionalDouble.of(
                                        Math.sqrt(setup.orientationVariance().getAsDouble())))
                                + show.smallSign()
                        : "–");
    }

    private void leftOut(Resected resected) {
        for (int i = 0; i < resected.sights().size(); i++) {
            String target = resected.sights().get(i).target();
            Optional<LeftOut> left = now.leaveOneOut().stream()
                    .filter(l -> l.target().equals(target))
                    .findFirst();
            OptionalDouble none = OptionalDouble.empty();
            cells.put(
                    "l" + i + "-north",
                    show.difference(left.map(LeftOut::northingShift).orElse(none)));
            cells.put(
                    "l" + i + "-east",
                    show.difference(left.map(LeftOut::eastingShift).orElse(none)));
            cells.put(
                    "l" + i + "-turn",
                    show.small(left.map(LeftOut::orientationShift).orElse(none)));
            cells.put(
                    "l" + i + "-factor",
                    left.map(LeftOut::varianceFactor).orElse(none).isPresent()
                            ? show.number(left.get().varianceFactor().getAsDouble(), 2)
                            : "nothing left to check");
        }
        for (int i = 0; i < resected.pairs().size(); i++) {
            Resected.Pair pair = resected.pairs().get(i);
            cells.put("p" + i, show.difference(OptionalDouble.of(pair.difference())));
            if (Math.abs(pair.difference()) > work.judged(Limit.RESECTION_POSITION, 3.3 * pair.stdDev())) {
                out.add("p" + i);
            }
        }
    }

    private static String groups(Resected resected) {
        return resected.groups().size() < 2
                ? ""
                : "Two groups agree each in itself: "
                        + String.join(", ", resected.groups().get(0)) + "; and "
                        + String.join(", ", resected.groups().get(1)) + ".";
    }

    private String scale(Resected resected) {
        return resected.scale()
                .map(t -> Sentence.of(
                        "Solved for scale: %s ppm (standard deviation %s). A constant instead: %s %s.",
                        show.number(t.ppm(), 1),
                        show.number(t.stdDev(), 1),
                        show.difference(OptionalDouble.of(t.constant())),
                        show.differenceSign()))
                .orElse("");
    }

    /** What the marks prove, in a sentence. */
    private String verdict(Resected resected) {
        if (resected.undetermined().isPresent()) {
            return "No position: " + resected.undetermined().get() + ".";
        }
        List<Sighted> used = resected.sights().stream().filter(Sighted::isUsed).toList();
        if (resected.redundancy() == 0) {
            return "The sights fix one place and nothing checks it: zero residuals here say only that the numbers could be made to fit.";
        }
        if (resected.suspicion().isPresent()) {
            return disagreeing(resected.suspicion().get());
        }
        boolean asBooked = now.setup().equals(accepted.setup());
        if (asBooked && book.result().findingsOf(now.name()).stream().anyMatch(Finding::isOpenStop)) {
            return "A stop is open on this setup: until it is answered nothing is claimed of how good it is.";
        }
        double largest =
                used.stream().mapToDouble(s -> s.residual().orElse(0)).max().orElse(0);
        OptionalDouble betrayed = used.stream()
                .filter(s -> s.detectable().isPresent())
                .mapToDouble(s -> s.detectable().getAsDouble())
                .max();
        boolean some = used.stream().anyMatch(s -> s.detectable().isEmpty());
        String agree = Sentence.of("%d marks, largest residual %s.", used.size(), words.difference(largest));
        return some || betrayed.isEmpty()
                ? agree + " But some shift of one of them would not show at all: another mark would."
                : agree
                        + Sentence.of(
                                " A shift of %s in any one would have shown four times in five.",
                                words.difference(betrayed.getAsDouble()));
    }

    private String disagreeing(Suspicion suspicion) {
        if (suspicion.orTogether().isPresent()) {
            return Sentence.of(
                    "Either about %s is wrong at %s, or the distances to all marks are off together: these sights cannot tell which.",
                    words.difference(suspicion.shift()), String.join(" or ", suspicion.targets()));
        }
        return suspicion.azimuth().isPresent()
                ? Sentence.of(
                        "%s does not fit: seen from here it lies %s %s of its coordinates.",
                        suspicion.targets().get(0),
                        words.difference(suspicion.shift()),
                        Words.compass(suspicion.azimuth().getAsDouble()))
                : Sentence.of(
                        "About %s is wrong at %s, and these marks cannot tell which moved.",
                        words.difference(suspicion.shift()), String.join(" or ", suspicion.targets()));
    }

    /**
     * What is switched off, as the page's boxes say it: {@code target:part}. A mark of which nothing is left is left out by one act, whole.
     */
    public static List<Setup.LeftOut> switched(List<String> off) {
        Map<String, List<Setup.Part>> parts = new LinkedHashMap<>();
        for (String each : off) {
            int at = each.lastIndexOf(':');
            for (Setup.Part part : Setup.Part.values()) {
                if (at > 0 && each.substring(at + 1).equals(part.name().toLowerCase(java.util.Locale.ROOT))) {
                    parts.computeIfAbsent(each.substring(0, at), target -> new ArrayList<>())
                            .add(part);
                }
            }
        }
        List<Setup.LeftOut> leaveOut = new ArrayList<>();
        parts.forEach((target, of) -> {
            if (of.size() == Setup.Part.values().length) {
                leaveOut.add(new Setup.LeftOut(target, Optional.empty()));
            } else {
                of.forEach(part -> leaveOut.add(new Setup.LeftOut(target, Optional.of(part))));
            }
        });
        return leaveOut;
    }
}
