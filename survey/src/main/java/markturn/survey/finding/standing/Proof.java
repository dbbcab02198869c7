package markturn.survey.finding.standing;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import markturn.survey.finding.base.Basis;
import markturn.survey.finding.base.Finding;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.Setup;
import markturn.survey.result.Measured;
import markturn.survey.result.MeasuredMark;

/**
 * What is proved and what is not. A setup is unproved until it has been accepted as it stands, while a stop on it is open, and while it
 * rests on marks from another that is unproved.
 */
public final class Proof {
    /** Keys of an acceptance: how many readings were booked and struck out when it was given. */
    public static final String BOOKED = "readings";

    public static final String STRUCK = "struck";

    private final Job job;
    private final Measured measured;
    private final Set<String> stopped = new HashSet<>();
    private final Set<String> decided = new HashSet<>();
    private final Set<String> unproved = new HashSet<>();

    private Proof(Job job, Measured measured, List<Finding> findings) {
        this.job = job;
        this.measured = measured;
        findings.stream().filter(Finding::isOpenStop).map(Finding::setup).forEach(stopped::add);
        job.decisions().stream().filter(d -> !d.isStated()).forEach(d -> decided.add(d.concerning("setup")));
        for (Setup setup : job.setups()) {
            if (!holds(setup)) {
                unproved.add(setup.name());
            }
        }
    }

    /** The names of the setups that are unproved. */
    public static Set<String> unproved(Job job, Measured measured, List<Finding> findings) {
        return Set.copyOf(new Proof(job, measured, findings).unproved);
    }

    private boolean holds(Setup setup) {
        return !stopped.contains(setup.name())
                && decided.contains(setup.name())
                && acceptance(job, setup).isPresent()
                && restsOn(setup).stream().noneMatch(unproved::contains);
    }

    /** The acceptance of a setup; empty where there is none, it was taken back, or what it rests on has changed since. */
    public static Optional<Decision> acceptance(Job job, Setup setup) {
        return given(job, setup)
                .filter(d -> isOf(d.on(), setup) && changedSince(job, setup, d).isEmpty());
    }

    /**
     * An acceptance that holds no longer.
     *
     * @param changed what it rested on that is otherwise now, in words
     */
    public record Lapsed(Decision acceptance, String changed) {}

    /** The acceptance of a setup that something has changed under; empty where none was given, or it holds. */
    public static Optional<Lapsed> lapsed(Job job, Setup setup) {
        return given(job, setup).flatMap(d -> {
            String changed = changedSince(job, setup, d);
            boolean counts = !isOf(d.on(), setup);
            return changed.isEmpty() && !counts
                    ? Optional.empty()
                    : Optional.of(new Lapsed(d, changed.isEmpty() ? "readings" : changed));
        });
    }

    private static Optional<Decision> given(Job job, Setup setup) {
        return job.decisions().stream()
                .filter(d -> d.concerning("setup").equals(setup.name()) && !d.isStated())
                .filter(d -> d.what().equals(Decision.ACCEPT) || d.what().equals(Decision.REOPEN))
                .reduce((earlier, later) -> later)
                .filter(d -> d.what().equals(Decision.ACCEPT));
    }

    private static String changedSince(Job job, Setup setup, Decision decision) {
        return Basis.of(decision)
                .map(then -> then.changed(Basis.of(job, setup)))
                .orElse("");
    }

    /** What an acceptance of a setup as it stands records. */
    public static Map<String, Object> stateOf(Job job, Setup setup) {
        Map<String, Object> state = new HashMap<>(counts(setup));
        state.put("setup", setup.name());
        state.put(Basis.KEY, Basis.of(job, setup).text());
        return state;
    }

    private static Map<String, Object> counts(Setup setup) {
        long struck = setup.readings().stream().filter(r -> !r.stands()).count();
        return Map.of(BOOKED, setup.readings().size(), STRUCK, (int) struck);
    }

    /** Acceptances of before there was a basis know the counts alone. */
    private static boolean isOf(Map<String, Object> on, Setup setup) {
        Map<String, Object> now = counts(setup);
        return List.of(BOOKED, STRUCK).stream()
                .allMatch(key ->
                        !(on.get(key) instanceof Number then) || then.intValue() == ((Number) now.get(key)).intValue());
    }

    private Collection<String> restsOn(Setup setup) {
        Set<String> from = new HashSet<>();
        from(setup.station()).ifPresent(from::add);
        setup.orientation().sights().forEach(sight -> from(sight).ifPresent(from::add));
        return from;
    }

    private Optional<String> from(String mark) {
        return measured.mark(job.trueName(mark))
                .filter(m -> m.adjustedBy().isEmpty())
                .flatMap(MeasuredMark::from);
    }
}
