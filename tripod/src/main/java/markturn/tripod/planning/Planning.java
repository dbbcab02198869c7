package markturn.tripod.planning;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.plan.Site;
import markturn.survey.plan.WorkPlan;
import markturn.survey.result.MeasuredMark;
import markturn.survey.result.Position;

/** Where the work of a job is planned. */
public final class Planning {
    /** What a first plan is called. */
    public static final String FIRST = "First idea";

    private Planning() {}

    /** A job with its marks and the ground as it was drawn. */
    public static Site site(BookedJob book) {
        return new Site(bare(book.job()), known(book), book.ground());
    }

    /** What of a job a plan asks for: everything but what was measured. */
    public static Job bare(Job job) {
        return job.withSetups(List.of());
    }

    /** Where the marks of a job lie; detail is nothing that work is planned by. */
    public static Map<String, Position> known(BookedJob book) {
        Map<String, Position> known = new LinkedHashMap<>();
        for (MeasuredMark mark : book.result().measured().marks()) {
            if (mark.mark().kind() != Mark.Kind.LOCATED) {
                mark.position().ifPresent(at -> known.put(mark.name(), at));
            }
        }
        return known;
    }

    /** The plans of a job; where there is none yet, an empty one to begin with. */
    public static List<WorkPlan> plans(BookedJob book) {
        return book.plans().isEmpty() ? List.of(WorkPlan.empty(FIRST)) : new ArrayList<>(book.plans());
    }

    /** The reflector that a planned target carries where nobody says: the first with a prism. */
    public static String reflector(Job job) {
        return job.reflectors().stream()
                .filter(r -> !r.isReflectorless())
                .map(Reflector::name)
                .findFirst()
                .orElse(Reflector.REFLECTORLESS);
    }
}
