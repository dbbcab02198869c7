package markturn.tripod.planning;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Obstacle;
import markturn.survey.plan.Place;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Proposal;
import markturn.survey.plan.Site;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * What a plan will give, as a page draws it. Places are whole millimetres of northing and easting, half axes of 95 % ellipses hundredths of
 * a millimetre, azimuths of the longer one tenths of a degree.
 */
public final class PlanForeseen implements Shown {
    /** A side of a building is seen where its middle is, from so far outside, metres. */
    private static final double OUTSIDE = 0.02;

    private final Site site;
    private final WorkPlan plan;
    private final ForeseenNetwork.Depth depth;
    private final ForeseenNetwork network;
    private final Map<String, Position> near;
    private final PlanWords words;

    public PlanForeseen(Site site, WorkPlan plan, ForeseenNetwork.Depth depth) {
        this.site = site;
        this.plan = plan;
        this.depth = depth;
        this.network = site.foresee(plan, depth);
        this.near = site.near(plan);
        this.words = new PlanWords(site, plan, network);
    }

    private boolean isWhole() {
        return depth == ForeseenNetwork.Depth.ALL;
    }

    /** What is asked and not reached; empty while a finger drags. */
    public List<Proposal.Shortfall> missed() {
        return isWhole() && !plan.setups().isEmpty() ? Proposal.shortfalls(site, plan) : List.of();
    }

    /** The verdict in a sentence. */
    public String verdict() {
        return words.verdict(missed());
    }

    /** How much there is to do, in words. */
    public String amount() {
        return words.amount();
    }

    /** What is said of a setup. */
    public List<String> of(PlannedSetup setup) {
        return words.setup(setup);
    }

    /** What is said of a wanted mark. */
    public String of(WantedMark mark) {
        return words.mark(mark);
    }

    /** What a setup takes, in words. */
    public String takes(PlannedSetup setup) {
        return PlanWords.duration(plan.minutes().of(setup));
    }

    /** The same of a mark that has been measured. */
    public String got(Position at) {
        return words.known(at);
    }

    /** How the figure closes. */
    public List<String> closures() {
        return words.closures();
    }

    @Override
    public Sheet sheet() {
        List<Proposal.Shortfall> missed = missed();
        Set<String> missing = new HashSet<>();
        missed.forEach(shortfall -> missing.add(shortfall.mark()));
        Sheet sheet = Sheet.empty()
                .with("amount", words.amount())
                .with("marks", plan.wanted().stream().map(w -> mark(w, missing)).toList())
                .with("setups", plan.setups().stream().map(this::setup).toList());
        if (isWhole()) {
            sheet.with("verdict", words.verdict(missed))
                    .with("met", missed.isEmpty() && network.why().isEmpty())
                    .with(
                            "missed",
                            missed.stream().map(m -> said(words.missed(m))).toList())
                    .with(
                            "closures",
                            words.closures().stream().map(PlanForeseen::said).toList())
                    .with("unseen", unseen());
        }
        return sheet;
    }

    static Shown said(String sentence) {
        return () -> Sheet.empty().with("words", sentence);
    }

    private Shown mark(WantedMark wanted, Set<String> missing) {
        return () -> {
            Sheet sheet = Sheet.empty()
                    .with("name", wanted.name())
                    .with("north", millimetres(wanted.near().northing()))
                    .with("east", millimetres(wanted.near().easting()))
                    .with("words", words.mark(wanted))
                    .with("missed", missing.contains(wanted.name()));
            network.mark(wanted.name())
                    .ifPresent(found -> ellipse(sheet, found.position().plan()));
            return sheet;
        };
    }

    private Shown setup(PlannedSetup setup) {
        return () -> {
            Sheet sheet = Sheet.empty()
                    .with("name", setup.name())
                    .with(
                            "said",
                            isWhole()
                                    ? words.setup(setup).stream()
                                            .map(PlanForeseen::said)
                                            .toList()
                                    : brief(setup))
                    .with(
                            "sights",
                            setup.aims().stream()
                                    .map(aim -> sight(aim, site.sight(plan, setup, aim.target())))
                                    .toList());
            Optional.ofNullable(near.get(setup.station()))
                    .ifPresent(at ->
                            sheet.with("north", millimetres(at.northing())).with("east", millimetres(at.easting())));
            if (setup.isFree()) {
                network.mark(setup.station())
                        .ifPresent(found -> ellipse(sheet, found.position().plan()));
            }
            return sheet;
        };
    }

    private List<Shown> brief(PlannedSetup setup) {
        return List.of(said(words.setup(setup).get(0)));
    }

    /** A sight: to what, how it passes, and by what. */
    static Shown sight(PlannedSetup.Aim aim, Ground.Sight sight) {
        return () -> Sheet.empty()
                .with("to", aim.target())
                .with("view", sight.view().words())
                .with("by", sight.by().map(Obstacle::name).orElse(""));
    }

    static void ellipse(Sheet sheet, Covariance of) {
        Covariance.Ellipse ellipse = of.ellipse().of95();
        sheet.with("a", Math.round(ellipse.semiMajor() * 1e5))
                .with("b", Math.round(ellipse.semiMinor() * 1e5))
                .with("azimuth", Math.round(Math.toDegrees(ellipse.azimuth()) * 10));
    }

    private static long millimetres(double metres) {
        return Math.round(metres * 1000);
    }

    /** The sides of closed figures whose outside no planned setup sees. */
    private List<Shown> unseen() {
        List<Shown> sides = new ArrayList<>();
        for (Obstacle figure : site.ground().obstacles()) {
            if (!figure.isClosed() || figure.kind() != Obstacle.Kind.BLOCKS_VIEW) {
                continue;
            }
            for (Obstacle.Edge side : figure.edges()) {
                if (!isSeen(figure, side)) {
                    sides.add(() -> Sheet.empty()
                            .with("of", figure.name())
                            .with("north", millimetres(side.from().northing()))
                            .with("east", millimetres(side.from().easting()))
                            .with("toNorth", millimetres(side.to().northing()))
                            .with("toEast", millimetres(side.to().easting())));
                }
            }
        }
        return sides;
    }

    private boolean isSeen(Obstacle figure, Obstacle.Edge side) {
        Place middle = new Place(
                (side.from().northing() + side.to().northing()) / 2,
                (side.from().easting() + side.to().easting()) / 2);
        double across = side.from().azimuthTo(side.to()) + Math.PI / 2;
        Place one = middle.towards(across, OUTSIDE);
        Place outside = figure.holds(one) ? middle.towards(across, -OUTSIDE) : one;
        Ground.End end = new Ground.End(outside, OptionalDouble.empty());
        for (PlannedSetup setup : plan.setups()) {
            Optional<Ground.End> from = site.end(plan, setup.station(), plan.axis());
            if (from.isPresent() && site.ground().between(from.get(), end).isSeen()) {
                return true;
            }
        }
        return false;
    }
}
