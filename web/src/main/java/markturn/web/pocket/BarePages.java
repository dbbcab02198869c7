package markturn.web.pocket;

import java.util.Map;
import java.util.Optional;
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

/** The pages that a device keeps bare, by the names it asks for them, and the words in the places of what it fills in. */
final class BarePages {
    static final String TITLE = "__TITLE__";
    static final String SETUP = "__SETUP__";
    static final String HERE = "__HERE__";
    static final String PAGE = "__PAGE__";
    static final String VIEW = "__VIEW__";
    static final String CSRF = "__CSRF__";

    private static final Map<String, Page> ALL = Map.of(
            "mark", new MarkPage(),
            "setup", new SetUpPage(),
            "setout", new SetOutPage(),
            "reviews", new ReviewListPage(),
            "plan", new PlanPage(),
            "turning", new TurningPage(SETUP),
            "detail", new DetailPage(SETUP),
            "review", new ReviewPage(SETUP));

    private BarePages() {}

    /** Where such a page stands once it is filled in, of any setup. */
    static String standsAt(String job, String name) {
        boolean ofSetup = name.equals("turning") || name.equals("detail") || name.equals("review");
        return Address.ofJob(job).room(name.equals("reviews") ? "review" : name, ofSetup ? SETUP : "");
    }

    static Optional<Page> of(String name) {
        return Optional.ofNullable(ALL.get(name));
    }
}
