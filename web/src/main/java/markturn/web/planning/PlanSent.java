package markturn.web.planning;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.GroundDrawn;
import markturn.fieldbook.PlanKept;
import markturn.fieldbook.Refused;
import markturn.fieldbook.SetupsPlanned;
import markturn.fieldbook.wire.Element;
import markturn.fieldbook.wire.Fault;
import markturn.fieldbook.wire.PlanTree;
import markturn.formats.FaultyFile;
import markturn.formats.JsonTrees;
import markturn.survey.job.Units;
import markturn.survey.plan.Ground;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkOrder;
import markturn.survey.plan.WorkPlan;
import markturn.tripod.planning.Planning;

/**
 * What the page of planning sends to be kept.
 *
 * @param ground as it was drawn; empty where the page did not change it
 * @param of what the plan was called when it was taken up; empty where that is not said
 * @param seen what of the job the page shows
 * @param taken whether its setups are to be made
 */
record PlanSent(WorkPlan plan, Optional<Ground> ground, Optional<String> of, Seen seen, boolean taken) {
    /** The revisions of the job that a plan, the ground and the work on a page are from; anything else stands for now. */
    record Seen(String plan, String ground, String work) {
        static Seen read(Map<String, String> typed) {
            return new Seen(
                    typed.getOrDefault("planSeen", ""),
                    typed.getOrDefault("groundSeen", ""),
                    typed.getOrDefault("workSeen", ""));
        }
    }

    /** Others kept something that this would put away: nothing is stored before whoever sends it knows. */
    static final class KeptMeanwhile extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final long revision;

        private KeptMeanwhile(List<String> sentences, long revision) {
            super(
                    String.join(" ", sentences)
                            + " Nothing of yours was kept, and what you drew stays here: send it once more if it is to stand there instead.");
            this.revision = revision;
        }

        /** Of the job as it is now. */
        long revision() {
            return revision;
        }
    }

    /**
     * As it was posted: {@code plan}, and perhaps {@code ground}, {@code of} and what of the job was seen.
     *
     * @throws FaultyFile where plan or ground cannot be read
     */
    static PlanSent read(Map<String, String> typed, Units units, boolean taken) throws FaultyFile {
        List<Fault> faults = new ArrayList<>();
        WorkPlan plan = PlanTree.plan(element(typed.getOrDefault("plan", ""), units, faults));
        Optional<Ground> ground = typed.containsKey("ground")
                ? Optional.of(PlanTree.ground(element(typed.get("ground"), units, faults)))
                : Optional.empty();
        if (!faults.isEmpty()) {
            throw new FaultyFile(faults);
        }
        return new PlanSent(plan, ground, Optional.ofNullable(typed.get("of")), Seen.read(typed), taken);
    }

    private static Element element(String text, Units units, List<Fault> faults) throws FaultyFile {
        return new Element(JsonTrees.foreign(text.getBytes(StandardCharsets.UTF_8)), "$", units, faults);
    }

    /**
     * What of it is not kept yet.
     *
     * @throws KeptMeanwhile where that would put away what others kept since the page was drawn, or another plan of the same name
     * @throws Refused where the plan cannot be made
     */
    List<EntryPayload> payloads(BookedJob book) {
        List<EntryPayload> payloads = new ArrayList<>();
        List<String> others = new ArrayList<>();
        if (ground.isPresent() && !ground.get().equals(book.ground())) {
            payloads.add(new GroundDrawn(ground.get()));
            meanwhile(book, seen.ground(), GroundDrawn.class::isInstance)
                    .ifPresent(by -> others.add("The ground was drawn anew by " + by + " while this page was open."));
        }
        if (!book.plans().contains(plan)) {
            payloads.add(new PlanKept(plan));
            sameName(book).ifPresent(others::add);
        }
        List<PlannedSetup> made = taken ? toBeMade(book) : book.plannedInAll();
        if (!made.equals(book.plannedInAll())) {
            payloads.add(new SetupsPlanned(made));
            meanwhile(book, seen.work(), SetupsPlanned.class::isInstance)
                    .ifPresent(by ->
                            others.add("Other setups were taken as the work by " + by + " while this page was open."));
        }
        if (!others.isEmpty()) {
            throw new KeptMeanwhile(others, book.revision());
        }
        return payloads;
    }

    /** Who booked the last of that kind after what the page shows. */
    private static Optional<String> meanwhile(BookedJob book, String since, Predicate<EntryPayload> same) {
        return book.lastSince(since, same).map(Entry::by);
    }

    /** That there is another plan of this name, in words. */
    private Optional<String> sameName(BookedJob book) {
        String name = plan.name();
        Predicate<EntryPayload> same =
                p -> p instanceof PlanKept theirs && theirs.plan().name().equals(name);
        Optional<String> by = meanwhile(book, seen.plan(), same);
        if (by.isPresent()) {
            return Optional.of("A plan called " + name + " was kept by " + by.get() + " while this page was open.");
        }
        boolean isAnother = of.isPresent() && !of.get().equals(name);
        return isAnother && book.plans().stream().anyMatch(p -> p.name().equals(name))
                ? Optional.of("There is another plan called " + name + " already.")
                : Optional.empty();
    }

    /** Only what can stand at the tripod: each with a name of its own, on a mark or free, with something to sight. */
    private List<PlannedSetup> toBeMade(BookedJob book) {
        Set<String> names = new LinkedHashSet<>();
        if (plan.setups().isEmpty()) {
            throw new Refused("plan", "No setup is planned yet: put one on the plan first");
        }
        for (PlannedSetup setup : plan.setups()) {
            if (!names.add(setup.name())) {
                throw new Refused("plan", "Two setups are called " + setup.name() + ": give one another name");
            }
            if (setup.aims().isEmpty()) {
                throw new Refused("plan", setup.name() + " sights nothing: tick its targets, or leave it out");
            }
            if (book.job().setup(setup.name()).isPresent()) {
                throw new Refused("plan", setup.name() + " stands in this job already: give it another name");
            }
        }
        // On the ground as it will be then.
        Site site = new Site(Planning.bare(book.job()), Planning.known(book), ground.orElse(book.ground()));
        // Nobody is sent to point at a wall.
        List<PlannedSetup> seeing =
                plan.setups().stream().map(setup -> site.seeing(plan, setup)).toList();
        WorkOrder order = WorkOrder.of(site.control(), seeing);
        if (!order.stuck().isEmpty()) {
            PlannedSetup stuck = order.stuck().get(0);
            throw new Refused(
                    "plan",
                    "%s cannot be turned in: by then too few of the marks it sees would be known. Sight %s, or find its targets from another setup first"
                            .formatted(stuck.name(), stuck.isFree() ? "two known marks" : "a known mark"));
        }
        return order.setups();
    }
}
