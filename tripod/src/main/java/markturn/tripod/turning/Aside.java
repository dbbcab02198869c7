package markturn.tripod.turning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.job.Job;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.tripod.typed.Form;

/** A pointing called for out of the order: detail, a check, or another target. */
public record Aside(
        String target, Reading.Role role, Reading.Face face, String reflector, Optional<MeasuredHeight> height) {
    private static final int LONGEST_NAME = 60;
    private static final Pattern ENDING_IN_NUMBER = Pattern.compile("(.*?)(\\d+)");
    private static final int LONGEST_NUMBER = 8;

    /**
     * What was called for; what is not said of a target in the round stands there as it does in the round.
     *
     * @param asked fields {@code target}, {@code role}, {@code face}, {@code reflector}, {@code height} and {@code heightTo}
     * @return empty where no target is named, or one too long to be a name
     */
    public static Optional<Aside> of(Map<String, String> asked, BookedJob book, Setup setup) {
        Job job = book.job();
        Form form = new Form(asked, job.units());
        String target = form.text("target");
        if (target.isEmpty() || target.length() > LONGEST_NAME) {
            return Optional.empty();
        }
        Optional<TurningOrder.Aim> aim = book.order(setup).aim(target);
        String reflector = reflectors(job).contains(form.text("reflector"))
                ? form.text("reflector")
                : aim.map(TurningOrder.Aim::reflector).orElse(Reflector.REFLECTORLESS);
        Optional<MeasuredHeight> height = form.height("height", reflector.equals(Reflector.REFLECTORLESS), "a height");
        return Optional.of(new Aside(
                target,
                role(form.text("role")).orElse(Reading.Role.DETAIL),
                face(form),
                reflector,
                height.or(() -> aim.flatMap(TurningOrder.Aim::height))));
    }

    /** After a detail shot, the next free name with the same pole; empty after anything else. */
    public static Optional<Aside> following(Job job, Reading reading) {
        Matcher parts = ENDING_IN_NUMBER.matcher(reading.target());
        if (reading.role() != Reading.Role.DETAIL
                || !parts.matches()
                || parts.group(2).length() > LONGEST_NUMBER) {
            return Optional.empty();
        }
        int number = Integer.parseInt(parts.group(2));
        String next;
        do {
            next = parts.group(1) + ++number;
        } while (job.mark(next).isPresent());
        return Optional.of(
                new Aside(next, reading.role(), reading.face(), reading.reflector(), reading.targetHeight()));
    }

    /** What can stand over a mark in that job; without a reflector always. */
    public static List<String> reflectors(Job job) {
        List<String> names =
                new ArrayList<>(job.reflectors().stream().map(Reflector::name).toList());
        if (!names.contains(Reflector.REFLECTORLESS)) {
            names.add(Reflector.REFLECTORLESS);
        }
        return names;
    }

    /** The role of that name; empty where there is none. */
    static Optional<Reading.Role> role(String text) {
        for (Reading.Role role : Reading.Role.values()) {
            if (role.name().equalsIgnoreCase(text)) {
                return Optional.of(role);
            }
        }
        return Optional.empty();
    }

    static Reading.Face face(Form form) {
        return form.text("face").equalsIgnoreCase("right") ? Reading.Face.RIGHT : Reading.Face.LEFT;
    }

    /** The code of a name that ends in a running number: what stands before it. */
    static String code(String name) {
        Matcher parts = ENDING_IN_NUMBER.matcher(name);
        return parts.matches() ? parts.group(1).strip() : "";
    }
}
