package markturn.tripod.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.SetupsPlanned;
import markturn.survey.finding.words.Words;
import markturn.survey.network.ForeseenNetwork;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.plan.Replanned;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkPlan;
import markturn.survey.show.Sentence;
import markturn.tripod.planning.PlanForeseen;
import markturn.tripod.planning.Planning;
import markturn.tripod.typed.Outcome;

/** What was planned and is found different on the ground: a mark is gone, or is not seen. The rest is planned again. */
final class FoundDifferent {
    /** The mark is gone: no setup sights it any more. */
    static final String GONE = "gone";

    private final BookedJob book;

    FoundDifferent(BookedJob book) {
        this.book = book;
    }

    /**
     * Takes the sight out, and plans the rest again.
     *
     * @param typed {@code setup}, {@code target}, and {@code what}: gone, or anything else for not seen from there
     */
    Outcome become(Map<String, String> typed) {
        String target = typed.getOrDefault("target", "");
        String name = typed.getOrDefault("setup", "");
        boolean gone = typed.getOrDefault("what", "").equals(GONE);
        List<PlannedSetup> left = new ArrayList<>();
        boolean found = false;
        for (PlannedSetup setup : book.plannedInAll()) {
            boolean stands = book.job().setup(setup.name()).isPresent();
            boolean concerns = !stands && (gone || setup.name().equals(name));
            List<PlannedSetup.Aim> aims = new ArrayList<>(setup.aims());
            found |= concerns && aims.removeIf(aim -> aim.target().equals(target));
            left.add(concerns ? setup.sighting(aims) : setup);
        }
        if (!found) {
            return Outcome.message(Sentence.of("%s is not planned to be sighted from %s any more", target, name));
        }
        WorkPlan kept = plan(book);
        WorkPlan again = Replanned.of(
                Planning.site(book),
                kept.with(left),
                setup -> book.job().setup(setup.name()).isPresent(),
                (setup, mark) -> !mark.equals(target) && !wasTakenOut(kept, setup, mark));
        return Outcome.of(new SetupsPlanned(again.setups()));
    }

    /** What the kept plan sights and the setup does not sight any more was found different before. */
    private static boolean wasTakenOut(WorkPlan kept, PlannedSetup setup, String mark) {
        return kept.setups().stream()
                .filter(s -> s.name().equals(setup.name()))
                .anyMatch(s -> s.aims().stream().anyMatch(aim -> aim.target().equals(mark)));
    }

    /** What the plan gives as it is left, in words. */
    static String words(BookedJob before, BookedJob after) {
        Site site = Planning.site(after);
        WorkPlan plan = plan(after).with(after.plannedInAll());
        String verdict = plan.wanted().isEmpty()
                ? "Planned without it."
                : new PlanForeseen(site, plan, ForeseenNetwork.Depth.ALL).verdict();
        List<String> more = new ArrayList<>();
        for (PlannedSetup setup : after.plannedInAll()) {
            before.plannedInAll().stream()
                    .filter(b -> b.name().equals(setup.name()))
                    .forEach(b -> changed(b, setup, more));
        }
        return more.isEmpty() ? verdict : verdict + " Changed: " + String.join("; ", more) + ".";
    }

    private static void changed(PlannedSetup before, PlannedSetup after, List<String> said) {
        if (before.sets() < after.sets()) {
            said.add(Sentence.of("%s in %s sets", after.name(), after.sets()));
        }
        List<String> had = before.aims().stream().map(PlannedSetup.Aim::target).toList();
        List<String> besides = after.aims().stream()
                .map(PlannedSetup.Aim::target)
                .filter(target -> !had.contains(target))
                .toList();
        if (!besides.isEmpty()) {
            said.add(Sentence.of("%s sights %s too", after.name(), Words.names(besides)));
        }
    }

    /** The plan from which the setups come: what is asked stands in it. */
    private static WorkPlan plan(BookedJob book) {
        List<String> names =
                book.plannedInAll().stream().map(PlannedSetup::name).toList();
        return book.plans().stream()
                .filter(plan -> plan.setups().stream().anyMatch(s -> names.contains(s.name())))
                .reduce((one, later) -> later)
                .orElse(WorkPlan.empty(Planning.FIRST));
    }
}
