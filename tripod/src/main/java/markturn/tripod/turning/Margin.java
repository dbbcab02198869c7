package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import markturn.survey.SurveyResult;
import markturn.survey.finding.base.Finding;
import markturn.survey.finding.base.FindingCode;
import markturn.survey.finding.judgement.Judgement;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.reduce.BookedReading;
import markturn.survey.reduce.FaceMeans;
import markturn.survey.reduce.PolarFix;
import markturn.survey.result.Check;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.Resected;
import markturn.survey.result.SetAbstract;
import markturn.survey.result.Shot;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.view.SeverityShown;

/** What stands in the margin of a booked line: what the readings are worth, and what is out of its limit and by how much. */
final class Margin {
    /** No circle drifts by this, radians. */
    private static final double A_WRONG_CIRCLE = Math.toRadians(0.1);

    private final SurveyResult result;
    private final MeasuredSetup setup;
    private final Display show;
    private final Words words;
    private final Map<Integer, PolarFix> fixes = new HashMap<>();
    private final Map<PolarFix, Shot> shots = new IdentityHashMap<>();
    private final List<Judgement> out;
    private final List<Finding> faces;
    private final Map<String, Check> checks = new HashMap<>();
    private final Map<String, SetAbstract> abstracts = new HashMap<>();
    /** The targets of which something is out: of all others no line has to be looked at. */
    private final Set<String> suspects = new HashSet<>();

    /** @param from nothing is asked of lines before this one, but where something is out of its limit */
    Margin(SurveyResult result, MeasuredSetup setup, Display show, int from) {
        this.result = result;
        this.setup = setup;
        this.show = show;
        this.words = new Words(result.job().units());
        this.out = result.judgements().stream()
                .filter(j -> j.isOut() && j.setup().equals(setup.name()))
                .toList();
        this.faces = result.findingsOf(setup.name()).stream()
                .filter(f -> f.code() == FindingCode.FACES_DIFFER || f.code() == FindingCode.WRONG_TARGET)
                .toList();
        result.measured().checks().stream()
                .filter(c -> c.from().equals(setup.name()))
                .forEach(c -> checks.putIfAbsent(c.mark(), c));
        out.forEach(judgement -> suspects.add(judgement.target()));
        faces.forEach(finding -> suspects.add(finding.target()));
        for (SetAbstract sets : setup.abstracts()) {
            boolean located = sets.fix().single() && sets.fix().role() == Reading.Role.DETAIL;
            if (!located || isAsked(sets.fix(), from)) {
                abstracts.putIfAbsent(sets.target(), sets);
            }
        }
        for (PolarFix fix : setup.booked().fixes()) {
            if (isAsked(fix, from)) {
                fix.pointings().readings().forEach(b -> fixes.putIfAbsent(b.place(), fix));
            }
        }
        for (Shot shot : setup.shots()) {
            if (isAsked(shot.fix(), from)) {
                shots.put(shot.fix(), shot);
            }
        }
    }

    private boolean isAsked(PolarFix fix, int from) {
        List<BookedReading> readings = fix.pointings().readings();
        return from == 0
                || readings.get(readings.size() - 1).place() >= from
                || !suspects.isEmpty() && suspects.contains(fix.target());
    }

    /** The lines before that one of which something may be out of its limit, in order. */
    int[] suspectsBefore(int from) {
        return fixes.keySet().stream()
                .mapToInt(Integer::intValue)
                .filter(place -> place < from)
                .sorted()
                .toArray();
    }

    /** The fix a line belongs to; empty for a line that is struck out. */
    Optional<PolarFix> fix(int place) {
        return Optional.ofNullable(fixes.get(place));
    }

    private int circle(PolarFix fix, int place) {
        return fix.pointings().readings().stream()
                .filter(b -> b.place() == place)
                .findFirst()
                .orElseThrow()
                .circle();
    }

    /** The means stand beside the line that completed them. */
    private static boolean completes(PolarFix fix, int set, int place) {
        return fix.pointings().readings().stream()
                        .filter(b -> b.circle() == set)
                        .mapToInt(BookedReading::place)
                        .max()
                        .orElse(-1)
                == place;
    }

    /** Short phrases beside the line. */
    List<String> phrases(int place) {
        Optional<PolarFix> of = fix(place);
        if (of.isEmpty()) {
            return List.of();
        }
        PolarFix fix = of.get();
        int set = circle(fix, place);
        if (!completes(fix, set, place)) {
            return List.of();
        }
        List<String> phrases = new ArrayList<>();
        FaceMeans means = fix.pointings().means().bySet().get(set);
        if (means.bothFaces()) {
            phrases.add("mean " + show.angle(means.direction()));
            phrases.add("collimation " + show.small(means.collimation()) + show.smallSign());
        }
        if (means.bothZeniths()) {
            phrases.add("index " + show.small(means.index()) + show.smallSign());
        }
        Optional.ofNullable(abstracts.get(fix.target()))
                .filter(a -> a.fix() == fix)
                .ifPresent(a -> directions(a, set, phrases));
        if (fix.single() || isClosing(fix)) {
            shot(fix, set, phrases);
        }
        return phrases;
    }

    private void directions(SetAbstract sets, int set, List<String> phrases) {
        OptionalDouble direction = sets.directions().get(set - 1);
        boolean isZero = sets.target().equals(setup.setup().orientation().zero());
        if (direction.isPresent() && !isZero) {
            phrases.add("reduced " + show.angle(direction.getAsDouble()));
        }
        OptionalDouble residual = sets.residuals().get(set - 1);
        if (sets.sets() > 1 && residual.isPresent() && !isZero) {
            phrases.add("residual " + show.small(residual) + show.smallSign());
        }
    }

    private void shot(PolarFix fix, int set, List<String> phrases) {
        if (isClosing(fix)) {
            phrases.add("turned "
                    + turned(setup.closingSight().get().direction())
                    + " since the backsight"
                    + (setup.booked().zeros().size() > 1 ? ", on the circle of set " + set : ""));
            againstTheSets(fix).ifPresent(phrases::add);
            return;
        }
        Optional.ofNullable(shots.get(fix))
                .flatMap(Shot::position)
                .ifPresent(p -> phrases.add("N " + show.length(p.northing()) + "  E " + show.length(p.easting())
                        + (p.elevation().isPresent() ? "  H " + show.length(p.elevation()) : "")));
        if (fix.role() == Reading.Role.CHECK) {
            check(fix)
                    .ifPresent(c -> phrases.add("against known: N " + show.difference(c.northingDifference()) + "  E "
                            + show.difference(c.eastingDifference()) + "  H " + show.difference(c.elevationDifference())
                            + " "
                            + show.differenceSign()));
        }
    }

    /** What was measured beside the direction, against what the sets gave. */
    private Optional<String> againstTheSets(PolarFix fix) {
        Optional<SetAbstract> sets = Optional.ofNullable(abstracts.get(fix.target()));
        Optional<Shot> shot = Optional.ofNullable(shots.get(fix));
        if (sets.isEmpty() || shot.isEmpty() || shot.get().horizontal().isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble distance = less(shot.get().horizontal(), sets.get().horizontal());
        OptionalDouble rise = less(shot.get().rise(), sets.get().elevationDifference());
        return distance.isEmpty()
                ? Optional.empty()
                : Optional.of("distance " + show.difference(distance)
                        + (rise.isPresent() ? ", elevation " + show.difference(rise) : "")
                        + " " + show.differenceSign() + " against the sets");
    }

    private static OptionalDouble less(OptionalDouble one, OptionalDouble other) {
        return one.isPresent() && other.isPresent()
                ? OptionalDouble.of(one.getAsDouble() - other.getAsDouble())
                : OptionalDouble.empty();
    }

    /** With its sign; one of degrees in the job's own unit. */
    private String turned(double direction) {
        return Math.abs(direction) > A_WRONG_CIRCLE
                ? words.size(direction)
                : show.small(OptionalDouble.of(direction)) + show.smallSign();
    }

    private boolean isClosing(PolarFix fix) {
        return setup.closingSight().filter(c -> c.target().equals(fix.target())).isPresent() && isLastCheckOn(fix);
    }

    private boolean isLastCheckOn(PolarFix fix) {
        return setup.booked().fixes().stream()
                .filter(f -> f.role() == Reading.Role.CHECK && f.target().equals(fix.target()))
                .reduce((earlier, later) -> later)
                .filter(f -> f == fix)
                .isPresent();
    }

    private Optional<Check> check(PolarFix fix) {
        return Optional.ofNullable(checks.get(result.job().trueName(fix.target())));
    }

    /** What is out of its limit at this line, and by how much. */
    List<SeverityShown> judgements(int place) {
        Optional<PolarFix> of = fix(place).filter(fix -> suspects.contains(fix.target()));
        if (of.isEmpty()) {
            return List.of();
        }
        PolarFix fix = of.get();
        int set = circle(fix, place);
        if (!completes(fix, set, place)) {
            return List.of();
        }
        List<SeverityShown> judged = new ArrayList<>();
        boolean lastOfFix = fix.pointings()
                        .readings()
                        .get(fix.pointings().readings().size() - 1)
                        .place()
                == place;
        for (Judgement judgement : out) {
            boolean here = judgement.target().equals(fix.target());
            boolean inThisSet = judgement.set().isPresent() ? judgement.set().getAsInt() == set : lastOfFix;
            if (here && inThisSet && fits(judgement, fix) && isBlamed(judgement)) {
                judged.add(new SeverityShown(severity(judgement), phrase(judgement)));
            }
        }
        faces(fix, set).ifPresent(judged::add);
        return judged;
    }

    /** One wrong mark pulls at all residuals of a free station: only the one it is laid to is said to be out. */
    private boolean isBlamed(Judgement out) {
        return out.quantity() != Limit.RESECTION_POSITION
                || setup.resected()
                        .flatMap(Resected::suspicion)
                        .filter(s -> s.targets().contains(out.target()))
                        .isPresent();
    }

    private static boolean fits(Judgement out, PolarFix fix) {
        return switch (out.quantity()) {
            case CLOSING_SIGHT, SECOND_FIX_POSITION, SECOND_FIX_ELEVATION -> fix.role() != Reading.Role.BACKSIGHT;
            case BACKSIGHT_DISTANCE, BACKSIGHT_ELEVATION, RESECTION_POSITION, RESECTION_ELEVATION ->
                fix.role() == Reading.Role.BACKSIGHT;
            default -> !fix.single();
        };
    }

    private static Finding.Severity severity(Judgement out) {
        return switch (out.quantity()) {
            case DISTANCE_SPREAD, COLLIMATION_SPREAD, INDEX_SPREAD -> Finding.Severity.WARN;
            default -> Finding.Severity.STOP;
        };
    }

    private String phrase(Judgement out) {
        boolean arc = out.quantity().dimension() == Limit.Dimension.ARC;
        String beyond = arc ? words.small(out.beyond()) : words.difference(out.beyond());
        String limit = arc ? words.small(out.limit()) : words.difference(out.limit());
        String value = arc ? words.small(out.value()) : words.difference(out.value());
        String what = switch (out.quantity()) {
            case SET_RESIDUAL -> "residual";
            case DISTANCE_SPREAD -> "spread of distances";
            case BACKSIGHT_DISTANCE -> "distance against known";
            case BACKSIGHT_ELEVATION -> "elevation against known";
            case CLOSING_SIGHT -> "turned since the backsight";
            case RESECTION_POSITION -> "away from where the other marks put it,";
            case RESECTION_ELEVATION -> "elevation against the other marks";
            default -> "against its first fix";
        };
        return Sentence.of("%s %s, over its limit by %s (limit %s)", what, value, beyond, limit);
    }

    private Optional<SeverityShown> faces(PolarFix fix, int set) {
        return faces.stream()
                .filter(f -> f.target().equals(fix.target()) && f.set().equals(OptionalInt.of(set)))
                .map(f -> new SeverityShown(f.severity(), f.text()))
                .findFirst();
    }
}
