package markturn.tripod.turning;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.show.Display;
import markturn.tripod.view.OptionShown;
import markturn.tripod.view.Sheet;
import markturn.tripod.view.Shown;

/**
 * A sight called for out of the order, before it is known what stands there: a pole is moved and lowered between two sights, so that its
 * height is asked for, and what stood there last is offered.
 *
 * @param last what was last used for it; empty where nothing was
 * @param reflectors what can stand there
 */
public record AskedSight(
        String target, String role, String face, Optional<Pole> last, List<OptionShown> reflectors, Display show)
        implements Shown {
    private static final int LONGEST_NAME = 60;

    /** A reflector and how high it stands. */
    record Pole(String reflector, Optional<MeasuredHeight> height) {}

    @Override
    public Sheet sheet() {
        Sheet sheet = Sheet.empty()
                .with("sentence", "Sight " + target + ", face " + face + ": what stands there now?")
                .with("target", target)
                .with("role", role)
                .with("face", face)
                .with("reflectors", reflectors);
        return last.map(pole -> sheet.with("last", pole(pole))).orElse(sheet);
    }

    private Sheet pole(Pole pole) {
        String height = pole.height().map(h -> " " + show.height(pole.height())).orElse("");
        return Sheet.empty()
                .with("words", "As last: " + pole.reflector() + height)
                .with("reflector", pole.reflector())
                .with("height", pole.height().map(h -> show.length(h.value())).orElse(""))
                .with("heightTo", LiveLine.heightTo(pole.height()));
    }

    /** Empty where nothing is called for, or its reflector is said already. */
    public static Optional<AskedSight> of(Map<String, String> asked, BookedJob book, String name) {
        String target = asked.getOrDefault("target", "").strip();
        Optional<Setup> setup = book.job().setup(name);
        if (target.isEmpty() || target.length() > LONGEST_NAME || asked.containsKey("reflector") || setup.isEmpty()) {
            return Optional.empty();
        }
        Reading.Role role = Aside.role(asked.getOrDefault("role", "")).orElse(Reading.Role.DETAIL);
        boolean right = asked.getOrDefault("face", "").equalsIgnoreCase("right");
        return Optional.of(new AskedSight(
                target,
                role.name().toLowerCase(Locale.ROOT),
                right ? "right" : "left",
                last(setup.get(), r -> r.target().equals(target))
                        .or(() -> book.order(setup.get()).aim(target).map(AskedSight::pole))
                        .or(() -> last(setup.get(), r -> true)),
                TurningSheet.reflectors(book.job()),
                new Display(book.job().units())));
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
