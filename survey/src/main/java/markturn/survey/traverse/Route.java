package markturn.survey.traverse;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.survey.job.Job;
import markturn.survey.job.Traverse;
import markturn.survey.result.MeasuredSetup;
import markturn.survey.result.SetAbstract;

/**
 * The setups along a route: the first on a station that sights the next mark carries on; the last that sights the previous one closes.
 */
final class Route {
    private final Job job;
    private final List<MeasuredSetup> setups;
    private final List<String> marks;

    Route(Job job, Traverse traverse, List<MeasuredSetup> setups) {
        this.job = job;
        this.setups = setups;
        this.marks = traverse.route().stream().map(job::trueName).toList();
    }

    /** One station's sight to another. */
    record Sight(MeasuredSetup setup, SetAbstract sets) {
        OptionalDouble direction() {
            return sets.direction();
        }
    }

    int legs() {
        return marks.size() - 1;
    }

    String mark(int station) {
        return marks.get(station);
    }

    private List<Sight> sights(int from, int to) {
        List<Sight> sights = new ArrayList<>();
        for (MeasuredSetup setup : setups) {
            if (job.trueName(setup.setup().station()).equals(marks.get(from))) {
                in(setup, marks.get(to)).ifPresent(s -> sights.add(new Sight(setup, s)));
            }
        }
        return sights;
    }

    /** What a setup measured to a mark, under any of its names. */
    Optional<SetAbstract> in(MeasuredSetup setup, String mark) {
        return setup.abstracts().stream()
                .filter(a ->
                        job.trueName(a.target()).equals(mark) && a.direction().isPresent())
                .findFirst();
    }

    /** The sight that carries on from a station of the route to the next. */
    Optional<Sight> onward(int station) {
        return sights(station, station + 1).stream().findFirst();
    }

    /** The sight back from a station of the route to the one before, by the setup that closes. */
    Optional<Sight> back(int station) {
        List<Sight> all = sights(station, station - 1);
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get(all.size() - 1));
    }

    boolean isLoop() {
        return marks.get(0).equals(marks.get(marks.size() - 1));
    }

    /** Every setup of the job. */
    List<MeasuredSetup> setups() {
        return setups;
    }

    List<String> marks() {
        return marks;
    }
}
