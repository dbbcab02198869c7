package markturn.tripod.turning;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;

/**
 * A sight called for out of the order, before it is known what stands there: a pole is moved and lowered between two sights, so that its
 * height is asked for, and what stood there last is offered.
 *
 * @param last what was last used for it; empty where nothing was
 */
public record AskedSight(String target, String role, String face, Optional<Pole> last) {
    private static final int LONGEST_NAME = 60;

    /** A reflector and how high it stands. */
    record Pole(String reflector, Optional<MeasuredHeight> height) {
        /** As the height goes into the form again: to the axis or to the notch. */
        public String heightTo() {
            return height.map(h -> h.to().name().toLowerCase(Locale.ROOT)).orElse("axis");
        }
    }

    /** Empty where nothing is called for, or its reflector is said already. */
    public static Optional<AskedSight> of(Map<String, String> asked, BookedJob book, String name) {
        String target = asked.getOrDefault("target", "").strip();
        Optional<Setup> setup = book.job().setup(name);
        if (target.isEmpty() || target.length() > LONGEST_NAME || asked.containsKey("reflector") || setup.isEmpty()) {
            return Optional.empty();
        }
        Reading.Role role = PointingForm.role(asked.getOrDefault("role", "")).orElse(Reading.Role.DETAIL);
        boolean right = asked.getOrDefault("face", "").equalsIgnoreCase("right");
        return Optional.of(new AskedSight(
                target,
                role.name().toLowerCase(Locale.ROOT),
                right ? "right" : "left",
                last(setup.get(), r -> r.target().equals(target))
                        .or(() -> book.order(setup.get()).aim(target).map(AskedSight::pole))
                        .or(() -> last(setup.get(), r -> true))));
    }

    private static Pole pole(TurningOrder.Aim aim) {
        return new Pole(aim.reflector(), aim.height());
    }

    private static Optional<Pole> last(Setup setup, Predicate<Reading> which) {
        return setup.readings().stream()
                .filter(r -> r.stands() && which.test(r))
                .reduce((earlier, later) -> later)
                .map(r -> new Pole(r.reflector(), r.targetHeight()));
    }
}
