package markturn.pocket;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.JobWriter;
import markturn.fieldbook.wire.PlanTree;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.network.ForeseenNetwork.Depth;
import markturn.survey.plan.Dragged;
import markturn.survey.plan.Ground;
import markturn.survey.plan.Place;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Proposal;
import markturn.survey.plan.Site;
import markturn.survey.plan.Sketched;
import markturn.survey.plan.WhereToStand;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.Position;
import markturn.tripod.planning.MarksInSight;
import markturn.tripod.planning.PlanDragged;
import markturn.tripod.planning.PlanForeseen;
import markturn.tripod.planning.ProposalShown;

/**
 * Planning within a page: one site is laid on the table, plans are tried on it while a finger drags. Lengths go in and out in
 * the units of the job; what is drawn, in whole millimetres.
 */
final class PlanTable {
    /** So many free places are looked at where setups are proposed. */
    private static final int FREE_PLACES = 30;

    private static Job job;
    private static Map<String, Position> known = Map.of();
    private static WhereToStand ground;
    private static Tried inHand;
    private static Dragged dragged;

    private PlanTable() {}

    /**
     * Lays a site on the table.
     *
     * @param text {@code job} as a job file without setups, {@code known} marks with name, northing, easting, elevation
     */
    static void planSite(String text) {
        Tree tree = JsonText.read(text);
        job = JobReader.job(tree.at("job"), new ArrayList<>());
        known = new LinkedHashMap<>();
        for (Element mark : element(tree).list("known")) {
            known.put(
                    mark.text("name"),
                    Position.held(new Mark.Coordinates(
                            mark.length("northing").orElse(0),
                            mark.length("easting").orElse(0),
                            mark.length("elevation"))));
        }
    }

    /**
     * What a plan will give.
     *
     * @param text {@code ground} and {@code plan}
     * @param whole whether also what errors would stay hidden; a finger that drags does without
     */
    static String planTried(String text, boolean whole) {
        Tried tried = Tried.read(text);
        return new PlanForeseen(tried.site(), tried.plan(), whole ? Depth.ALL : Depth.PRECISION)
                .sheet()
                .json();
    }

    /** Takes a free setup in hand, to be dragged. */
    static void planTaken(String text, String setup) {
        Tried tried = Tried.read(text);
        inHand = tried;
        dragged = new Dragged(tried.site(), tried.plan(), setup);
    }

    /** What the plan gives with the setup in hand at a place, as {@link PlanDragged} draws it. */
    static String planDragged(double northing, double easting) {
        double metres = job.units().length().metres();
        Dragged.Given given = dragged.at(new Place(northing * metres, easting * metres));
        return new PlanDragged(inHand.site(), inHand.plan(), given).sheet().json();
    }

    /**
     * What is seen from a place while a setup is in hand, clockwise: northing and easting in turn, whole millimetres, as a JSON list. The
     * ground is that of when it was taken: nothing is read anew in a frame.
     */
    static String planSeen(double northing, double easting, double reach) {
        double metres = job.units().length().metres();
        Ground.End eye = new Ground.End(new Place(northing * metres, easting * metres), OptionalDouble.empty());
        StringBuilder list = new StringBuilder("[");
        for (Place corner : inHand.site().ground().seenFrom(eye, reach * metres)) {
            list.append(list.length() == 1 ? "" : ",")
                    .append(Math.round(corner.northing() * 1000))
                    .append(',')
                    .append(Math.round(corner.easting() * 1000));
        }
        return list.append(']').toString();
    }

    /** Prepares the ground to be looked at for one setup, the others standing as they are. */
    static double planGround(String text, String setup, String instrument, String reflector, int sets) {
        Tried tried = Tried.read(text);
        ground = new WhereToStand(tried.site(), tried.plan(), setup, instrument, reflector, sets);
        return ground.limit() / job.units().length().metres();
    }

    /** What one row of places is worth, west to east: a sign for each, {@code W F P N X}: well, fairly, poorly, not, no-go. */
    static String planRow(double northing, double west, double step, int places) {
        double metres = job.units().length().metres();
        StringBuilder row = new StringBuilder();
        for (int i = 0; i < places; i++) {
            WhereToStand.Worth worth = ground.at(new Place(northing * metres, (west + i * step) * metres));
            row.append("WFPNX".charAt(worth.step().ordinal()));
        }
        return row.toString();
    }

    /** What it takes: a plan with proposed setups, and what each of them is there for. */
    static String planProposed(String text, String instrument, String reflector) {
        Tried tried = Tried.read(text);
        List<PlannedSetup> candidates =
                Proposal.candidates(tried.site(), tried.plan(), instrument, reflector, FREE_PLACES);
        Proposal proposal = Proposal.of(tried.site(), tried.plan(), candidates, share -> {});
        return JsonText.write(PlanTree.plan(proposal.plan(), new JobWriter(job.units())));
    }

    /** What each setup of a plan is there for, and what could help where it does not give what is asked. */
    static String planReasons(String text) {
        Tried tried = Tried.read(text);
        return new ProposalShown(tried.site(), tried.plan()).sheet().json();
    }

    /** Which marks see each other, an instrument on the one of the row: {@code c}lear, {@code g}razing, {@code b}locked, it{@code s}elf. */
    static String planMatrix(String text) {
        Tried tried = Tried.read(text);
        return new MarksInSight(tried.site(), tried.plan()).sheet().json();
    }

    /**
     * Where a mark lies by distances from two others, as a rough sketch has it.
     *
     * @param one with northing and easting; so {@code two}
     * @param right whether it lies right of the line from the first to the second
     * @return northing and easting; none where the distances do not meet
     */
    static String planSketched(String one, double first, String two, double second, boolean right) {
        double metres = job.units().length().metres();
        Fields found = new Fields();
        Sketched.meet(place(one), first * metres, place(two), second * metres, right)
                .ifPresent(at -> found.put("northing", at.northing() / metres).put("easting", at.easting() / metres));
        return JsonText.write(found);
    }

    private static Place place(String text) {
        Element of = element(JsonText.read(text));
        return new Place(of.length("northing").orElse(0), of.length("easting").orElse(0));
    }

    private static Element element(Tree tree) {
        return new Element(tree, "$", job.units(), new ArrayList<>());
    }

    /** A plan on its ground. */
    private record Tried(Site site, WorkPlan plan) {
        static Tried read(String text) {
            Element all = element(JsonText.read(text));
            return new Tried(new Site(job, known, PlanTree.ground(all.at("ground"))), PlanTree.plan(all.at("plan")));
        }
    }
}
