package markturn.survey.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import markturn.survey.job.Mark;
import markturn.survey.result.Covariance;
import markturn.survey.result.Position;

/**
 * A free setup under a finger: what the plan gives while it moves, the other setups summed up once. The same observations and weights as the
 * network's, without what errors would stay hidden; fast enough for every frame.
 */
public final class Dragged {
    /** What no sight reaches is anywhere within that, metres. */
    private static final double ANYWHERE = 1000;

    /** A place whose variances sum up to more is not found, square metres. */
    private static final double LOOSE = 100;

    private final Site site;
    private final WorkPlan plan;
    private final PlannedSetup setup;
    private final Map<String, Position> near;
    private final Map<String, Integer> numbers = new LinkedHashMap<>();
    private final List<Contribution> others = new ArrayList<>();

    /**
     * Takes a setup in hand.
     *
     * @param name of a free setup of the plan
     */
    public Dragged(Site site, WorkPlan plan, String name) {
        this.site = site;
        this.plan = plan;
        this.near = site.near(plan);
        this.setup = plan.setups().stream()
                .filter(s -> s.name().equals(name) && s.isFree())
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no free setup " + name));
        numbers.putAll(site.numbers(plan));
        numbers.putIfAbsent(setup.station(), numbers.size());
        others.add(Contribution.ofCoordinates(site.job(), numbers));
        for (PlannedSetup other : plan.setups()) {
            if (!other.name().equals(name)) {
                others.add(Contribution.of(site.job(), site.seeing(plan, other), numbers, near));
            }
        }
    }

    /**
     * What the plan gives with the setup at a place.
     *
     * @param setup as it stands there, with all it was meant to sight
     * @param spread of each wanted mark that is found, and of the station under its name
     */
    public record Given(PlannedSetup setup, Map<String, Covariance> spread) {}

    /** Moves it. */
    public Given at(Place place) {
        PlannedSetup moved = setup.at(new Mark.Coordinates(
                place.northing(), place.easting(), near.get(setup.station()).elevation()));
        WorkPlan now = plan.with(List.of(moved));
        near.put(setup.station(), Position.held(moved.place().orElseThrow()));
        Information all = Information.loose(2 * numbers.size(), ANYWHERE);
        others.forEach(other -> all.add(other.inPlan(), other.planUnknowns()));
        Contribution own = Contribution.of(site.job(), site.seeing(now, moved), numbers, near);
        all.add(own.inPlan(), own.planUnknowns());
        Information.Covariances covariances = all.covariances();
        Map<String, Covariance> spread = new LinkedHashMap<>();
        numbers.forEach((mark, number) -> found(covariances.place(2 * number)).ifPresent(of -> spread.put(mark, of)));
        return new Given(moved, spread);
    }

    private static Optional<Covariance> found(Covariance spread) {
        return spread.nn() + spread.ee() < LOOSE ? Optional.of(spread) : Optional.empty();
    }
}
