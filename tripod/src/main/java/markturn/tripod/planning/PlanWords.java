package markturn.tripod.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.finding.resection.Circles;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Reading;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.plan.Ground;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Proposal;
import markturn.survey.plan.Site;
import markturn.survey.plan.WantedMark;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Covariance;
import markturn.survey.result.MeasuredNetwork.Adjusted;
import markturn.survey.result.Position;
import markturn.survey.show.Sentence;

/** A plan in sentences: what it will give, what it rests on, what it misses. */
final class PlanWords {
    private static final double HOUR = 60;

    private final Site site;
    private final WorkPlan plan;
    private final ForeseenNetwork network;
    private final Words words;

    PlanWords(Site site, WorkPlan plan, ForeseenNetwork network) {
        this.site = site;
        this.plan = plan;
        this.network = network;
        this.words = new Words(site.job().units());
    }

    /** First of all: whether what is asked will be had. */
    String verdict(List<Proposal.Shortfall> missed) {
        if (plan.setups().isEmpty()) {
            return "No setup is planned yet.";
        }
        if (network.why().isPresent()) {
            return "As it stands " + network.why().get() + ".";
        }
        if (plan.wanted().stream().noneMatch(WantedMark::isAsked)) {
            return "Nothing is asked of a mark yet: say how well each wanted mark shall lie.";
        }
        return missed.isEmpty()
                ? "All that is asked will be had, in " + duration(plan.takes()) + "."
                : "Not all that is asked will be had: " + missed(missed.get(0))
                        + (missed.size() > 1 ? Sentence.of(", and %s more.", missed.size() - 1) : ".");
    }

    /** What is asked and not reached. */
    String missed(Proposal.Shortfall shortfall) {
        String limit = words.difference(shortfall.limit());
        OptionalDouble reached = shortfall.reached();
        if (shortfall.asked() == Proposal.Asked.HIDDEN) {
            return reached.isEmpty()
                    ? Sentence.of("in %s an error of any size could stay hidden, %s is asked", shortfall.mark(), limit)
                    : Sentence.of(
                            "an error of %s could stay hidden in %s, %s is asked",
                            words.difference(reached.getAsDouble()), shortfall.mark(), limit);
        }
        return reached.isEmpty()
                ? Sentence.of(
                        "%s would not be found %s, %s is asked",
                        shortfall.mark(), shortfall.asked().words(), limit)
                : Sentence.of(
                        "%s would lie within %s %s, %s is asked",
                        shortfall.mark(),
                        words.difference(reached.getAsDouble()),
                        shortfall.asked().words(),
                        limit);
    }

    /** What work takes. */
    static String duration(double minutes) {
        long all = Math.round(minutes);
        long hours = (long) (all / HOUR);
        return hours == 0 ? all + " min" : hours + " h " + (all - (long) HOUR * hours) + " min";
    }

    /** How much there is to do. */
    String amount() {
        int sights = 0;
        for (PlannedSetup setup : plan.setups()) {
            sights += setup.aims().size();
        }
        return Sentence.of(
                "%s, %s, %s",
                Sentence.count(plan.setups().size(), "setup", "setups"),
                Sentence.count(sights, "sight", "sights"),
                duration(plan.takes()));
    }

    /** How a mark would lie. */
    String mark(WantedMark wanted) {
        Optional<Adjusted> found = network.mark(wanted.name());
        if (found.isEmpty()) {
            return "not found by this plan";
        }
        return known(found.get().position()) + hidden(found.get());
    }

    /** How well a place is known, 95 %. */
    String known(Position at) {
        StringBuilder said = new StringBuilder("within ").append(words.difference(within(at.plan())));
        at.elevationVariance()
                .ifPresent(variance -> said.append(", elevation within ")
                        .append(words.difference(Proposal.LINE_95 * Math.sqrt(variance))));
        return said.toString();
    }

    private String hidden(Adjusted found) {
        if (found.level().isEmpty()
                && found.plan().by().isEmpty()
                && found.plan().unseen().isEmpty()) {
            return "";
        }
        OptionalDouble worst = found.plan().worst();
        return worst.isPresent()
                ? "; hidden at most " + words.difference(worst.getAsDouble())
                : "; nothing would show an error of "
                        + found.plan().unseen().orElseThrow().words();
    }

    static double within(Covariance plan) {
        return plan.ellipse().of95().semiMajor();
    }

    /** A setup: where it would lie, what checks it, what that would betray. */
    List<String> setup(PlannedSetup setup) {
        List<String> said = new ArrayList<>();
        if (setup.isFree()) {
            said.add(network.mark(setup.station())
                    .map(at -> Sentence.of(
                            "The station lies within %s, least well towards %s.",
                            words.difference(within(at.position().plan())),
                            Words.compass(at.position().plan().ellipse().azimuth())))
                    .orElse("Its sights do not fix it."));
        }
        said.add(redundancy(setup));
        String betrayed = betrayed(setup);
        if (!betrayed.isEmpty()) {
            said.add(betrayed);
        }
        circle(setup).ifPresent(said::add);
        views(setup, Ground.View.BLOCKED, " is not seen").ifPresent(said::add);
        views(setup, Ground.View.GRAZING, " is seen along an edge").ifPresent(said::add);
        return said;
    }

    /** What known marks leave to be checked: directions and distances less place and orientation. */
    private String redundancy(PlannedSetup setup) {
        int known = 0;
        for (PlannedSetup.Aim aim : setup.aims()) {
            known += isKnown(aim) && site.sight(plan, setup, aim.target()).isSeen() ? 1 : 0;
        }
        int checks = 2 * known - (setup.isFree() ? 3 : 1);
        String marks = Sentence.count(known, "known mark", "known marks");
        if (checks < 0) {
            return marks + ": it hangs on the other setups.";
        }
        return switch (checks) {
            case 0 -> marks + ": nothing checks it.";
            case 1 -> marks + ": one thing checks it, the distance " + (setup.isFree() ? "between them." : "to it.");
            default -> marks + ": " + checks + " things check it.";
        };
    }

    private static boolean isKnown(PlannedSetup.Aim aim) {
        return aim.role() == Reading.Role.BACKSIGHT;
    }

    private String betrayed(PlannedSetup setup) {
        List<String> said = new ArrayList<>();
        for (ForeseenNetwork.Betrayed mark : network.betrayed()) {
            if (mark.setup().equals(setup.name())) {
                said.add(mark.mark()
                        + (mark.detectable().isPresent()
                                ? " from " + words.difference(mark.detectable().getAsDouble())
                                : " not at all"));
            }
        }
        return said.isEmpty() ? "" : "An error of a mark shows four times in five: " + String.join(", ", said) + ".";
    }

    /** Whether distances must be measured because angles alone would hardly do. */
    private Optional<String> circle(PlannedSetup setup) {
        List<Position> known = new ArrayList<>();
        for (PlannedSetup.Aim aim : setup.aims()) {
            if (isKnown(aim) && site.known().containsKey(aim.target())) {
                known.add(site.known().get(aim.target()));
            }
        }
        Optional<Position> at = Optional.ofNullable(site.near(plan).get(setup.station()));
        if (!setup.isFree() || known.size() < 3 || at.isEmpty()) {
            return Optional.empty();
        }
        double[] circle = Circles.through(known.get(0), known.get(1), known.get(2));
        double near = Circles.near(circle, known);
        boolean all = known.stream().allMatch(mark -> isOn(circle, mark, near));
        return all && isOn(circle, at.get(), near)
                ? Optional.of(
                        "It stands near the circle through its marks: there angles alone hardly place it, distances must be measured.")
                : Optional.empty();
    }

    private static boolean isOn(double[] circle, Position place, double near) {
        return Circles.off(circle, place.northing(), place.easting()) < near;
    }

    private Optional<String> views(PlannedSetup setup, Ground.View view, String said) {
        List<String> targets = new ArrayList<>();
        for (PlannedSetup.Aim aim : setup.aims()) {
            Ground.Sight sight = site.sight(plan, setup, aim.target());
            if (sight.view() == view) {
                targets.add(aim.target()
                        + sight.by()
                                .map(by -> by.name().isEmpty() ? "" : " (" + by.name() + ")")
                                .orElse(""));
            }
        }
        return targets.isEmpty()
                ? Optional.empty()
                : Optional.of(Words.names(targets) + (targets.size() > 1 ? said.replace(" is ", " are ") : said) + ".");
    }

    /** How the figure would close on its control. */
    List<String> closures() {
        List<String> said = new ArrayList<>();
        for (ForeseenNetwork.Closure closure : network.closures()) {
            said.add(closure.foreseen()
                    .map(at -> Sentence.of(
                            "Closing on %s: %s by chance.", closure.mark(), words.difference(within(at.plan()))))
                    .orElse("Nothing closes on " + closure.mark() + "."));
        }
        return said;
    }
}
