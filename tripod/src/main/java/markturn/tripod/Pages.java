package markturn.tripod;

import java.util.List;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.tripod.detail.DetailPage;
import markturn.tripod.mark.MarkPage;
import markturn.tripod.page.Page;
import markturn.tripod.plan.PlanPage;
import markturn.tripod.review.ReviewListPage;
import markturn.tripod.review.ReviewPage;
import markturn.tripod.setout.SetOutPage;
import markturn.tripod.setup.SetUpPage;
import markturn.tripod.turning.TurningPage;
import markturn.tripod.view.Address;

/** Which page stands at which address of a job: the same on a server and on a phone without one. */
public final class Pages {
    private Pages() {}

    /**
     * The page of a room.
     *
     * @param room as addresses name it
     * @param setup the setup it is about; empty where the address names none
     * @return empty where the book has no such page
     */
    public static Optional<Page> at(BookedJob book, String room, String setup) {
        if (!setup.isEmpty() && book.job().setup(setup).isEmpty()) {
            return Optional.empty();
        }
        return Optional.ofNullable(setup.isEmpty() ? ofJob(room) : ofSetup(room, setup));
    }

    private static Page ofJob(String room) {
        return switch (room) {
            case "mark" -> new MarkPage();
            case "setup" -> new SetUpPage();
            case "setout" -> new SetOutPage();
            case "review" -> new ReviewListPage();
            case "plan" -> new PlanPage();
            default -> null;
        };
    }

    private static Page ofSetup(String room, String setup) {
        return switch (room) {
            case "turning" -> new TurningPage(setup);
            case "detail" -> new DetailPage(setup);
            case "review" -> new ReviewPage(setup);
            default -> null;
        };
    }

    /** Where somebody is led who asks for a room that needs a setup without naming one: to the last one's, or where one is begun. */
    public static Optional<String> instead(BookedJob book, String room) {
        List<Setup> setups = book.job().setups();
        Address at = Address.ofJob(book.jobId());
        return switch (room) {
            case "detail" -> Optional.of(setups.isEmpty() ? at.setUp() : at.detail(last(book.job())));
            case "setout" -> setups.isEmpty() ? Optional.of(at.setUp()) : Optional.empty();
            default -> Optional.empty();
        };
    }

    private static String last(Job job) {
        return job.setups().get(job.setups().size() - 1).name();
    }
}
