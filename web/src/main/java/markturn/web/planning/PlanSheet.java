package markturn.web.planning;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Mark;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Site;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Position;
import markturn.survey.show.Display;
import markturn.survey.show.TrueScale;
import markturn.tripod.planning.PlanForeseen;
import markturn.tripod.planning.Planning;

/**
 * A plan on one page: what is promised, the setups with what to carry there, and the sketch.
 *
 * @param promises planned and got, side by side
 * @param carried reflectors, and how many of each at once
 */
public record PlanSheet(
        String name,
        String verdict,
        String amount,
        List<Row> setups,
        List<Promise> promises,
        List<String> closures,
        List<String> carried,
        Sketch sketch) {
    /** A setup of the plan. */
    public record Row(
            String name, String where, int sets, String targets, String heights, String takes, List<String> said) {}

    /** What a wanted mark is promised, and what was got where it has been measured. */
    public record Promise(String mark, String promised, String got) {}

    /** The sketch: paths and names on a sheet of 640 by 420. */
    public record Sketch(String obstacles, String noGo, String rays, List<Sign> signs) {}

    /** A mark or a setup on the sketch. */
    public record Sign(String kind, String name, long x, long y) {}

    private static final double WIDTH = 640;
    private static final double HEIGHT = 420;
    private static final double BORDER = 40;

    static PlanSheet of(BookedJob book, WorkPlan plan) {
        Site site = Planning.site(book);
        PlanForeseen foreseen = new PlanForeseen(site, plan, ForeseenNetwork.Depth.ALL);
        Display show = new Display(book.job().units());
        List<Row> rows = new ArrayList<>();
        Map<String, Integer> reflectors = new LinkedHashMap<>();
        for (PlannedSetup setup : plan.setups()) {
            Map<String, Integer> here = new LinkedHashMap<>();
            setup.aims().forEach(aim -> here.merge(aim.reflector(), 1, Integer::sum));
            here.forEach((reflector, count) -> reflectors.merge(reflector, count, Math::max));
            rows.add(new Row(
                    setup.name(),
                    setup.method().words() + " " + setup.station(),
                    setup.sets(),
                    String.join(
                            ", ",
                            setup.aims().stream().map(PlannedSetup.Aim::target).toList()),
                    "instrument %s, targets %s".formatted(show.length(plan.axis()), show.length(plan.target())),
                    foreseen.takes(setup),
                    foreseen.of(setup)));
        }
        return new PlanSheet(
                plan.name(),
                foreseen.verdict(),
                foreseen.amount(),
                rows,
                plan.wanted().stream()
                        .map(mark -> promise(book, foreseen, mark))
                        .toList(),
                foreseen.closures(),
                reflectors.entrySet().stream()
                        .map(e -> e.getKey() + " × " + e.getValue())
                        .toList(),
                sketch(site, plan));
    }

    /** Planned and got, side by side. */
    private static Promise promise(BookedJob book, PlanForeseen foreseen, WantedMark mark) {
        Optional<Position> got = book.result().measured().mark(mark.name()).flatMap(m -> m.position());
        return new Promise(
                mark.name(), foreseen.of(mark), got.map(at -> foreseen.got(at)).orElse(""));
    }

    private static Sketch sketch(Site site, WorkPlan plan) {
        Map<String, Position> near = site.near(plan);
        TrueScale scale = new TrueScale(near.values(), WIDTH, HEIGHT, BORDER);
        StringBuilder blocking = new StringBuilder();
        StringBuilder noGo = new StringBuilder();
        for (Obstacle obstacle : site.ground().obstacles()) {
            StringBuilder obstacles = obstacle.kind() == Obstacle.Kind.NO_GO ? noGo : blocking;
            for (int i = 0; i < obstacle.corners().size(); i++) {
                Position corner = Position.held(new Mark.Coordinates(
                        obstacle.corners().get(i).northing(),
                        obstacle.corners().get(i).easting(),
                        OptionalDouble.empty()));
                obstacles
                        .append(i == 0 ? "M" : "L")
                        .append(scale.x(corner))
                        .append(' ')
                        .append(scale.y(corner));
            }
            obstacles.append(obstacle.isClosed() ? "Z" : "");
        }
        StringBuilder rays = new StringBuilder();
        List<Sign> signs = new ArrayList<>();
        for (PlannedSetup setup : plan.setups()) {
            Position from = near.get(setup.station());
            for (PlannedSetup.Aim aim : setup.aims()) {
                Position to = near.get(aim.target());
                if (from != null && to != null) {
                    rays.append("M" + scale.x(from) + " " + scale.y(from) + "L" + scale.x(to) + " " + scale.y(to));
                }
            }
        }
        near.forEach((name, at) -> {
            boolean station = plan.setups().stream()
                    .anyMatch(s -> s.isFree() && s.station().equals(name));
            String kind = site.control().contains(name) ? "control" : station ? "station" : "wanted";
            List<String> setups = plan.setups().stream()
                    .filter(s -> s.station().equals(name))
                    .map(PlannedSetup::name)
                    .toList();
            String called = setups.isEmpty() ? name : name + ": " + String.join(", ", setups);
            signs.add(new Sign(kind, called, Math.round(scale.across(at)), Math.round(scale.down(at))));
        });
        return new Sketch(blocking.toString(), noGo.toString(), rays.toString(), signs);
    }
}
