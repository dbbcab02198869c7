package markturn.survey.traverse;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import markturn.survey.job.Job;
import markturn.survey.result.MeasuredSetup;

/** The route that the setups of a job suggest: from a fixed mark along setups that sight each other, to a fixed mark if there is one. */
public final class RouteProposal {
    private RouteProposal() {}

    /**
     * The longest such route; empty where no two setups follow each other.
     *
     * @param isFixed whether a mark, by its true name, has coordinates of its own
     */
    public static List<String> stations(Job job, List<MeasuredSetup> setups, Predicate<String> isFixed) {
        List<String> longest = List.of();
        for (int start = 0; start < setups.size(); start++) {
            List<String> route = from(job, setups, start, isFixed);
            if (route.size() > longest.size()) {
                longest = route;
            }
        }
        return longest.size() < 3 ? List.of() : longest;
    }

    private static List<String> from(Job job, List<MeasuredSetup> setups, int start, Predicate<String> isFixed) {
        String first = job.trueName(setups.get(start).setup().station());
        if (!isFixed.test(first)) {
            return List.of();
        }
        List<String> route = new ArrayList<>(List.of(first));
        MeasuredSetup at = setups.get(start);
        for (int i = start + 1; i < setups.size(); i++) {
            String next = job.trueName(setups.get(i).setup().station());
            boolean on = sights(job, at, next)
                    && sights(job, setups.get(i), job.trueName(at.setup().station()));
            if (on && (!route.contains(next) || next.equals(first))) {
                route.add(next);
                at = setups.get(i);
                if (isFixed.test(next)) {
                    return route;
                }
            }
        }
        closeOn(job, at, route, isFixed);
        return route;
    }

    /** The last setup of an unfinished route may sight a fixed mark: that closes it. */
    private static void closeOn(Job job, MeasuredSetup last, List<String> route, Predicate<String> isFixed) {
        String before = route.size() > 1 ? route.get(route.size() - 2) : "";
        last.abstracts().stream()
                .filter(a -> a.horizontal().isPresent())
                .map(a -> job.trueName(a.target()))
                .filter(mark -> isFixed.test(mark) && !mark.equals(before))
                .findFirst()
                .ifPresent(route::add);
    }

    private static boolean sights(Job job, MeasuredSetup setup, String mark) {
        return setup.abstracts().stream()
                .anyMatch(a -> a.horizontal().isPresent()
                        && a.direction().isPresent()
                        && job.trueName(a.target()).equals(mark));
    }
}
