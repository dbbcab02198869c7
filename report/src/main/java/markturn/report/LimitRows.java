package markturn.report;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import markturn.survey.angle.Angles;
import markturn.survey.finding.words.Words;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Limit;

/** The limits of the classes as tables show them: seconds, millimetres, minutes. */
public final class LimitRows {
    private LimitRows() {}

    /** A limit in words, with its value in one class or in each. */
    public record Row(String key, String words, List<String> presets) {}

    /** One limit in every class. */
    public static List<Row> all() {
        return Arrays.stream(Limit.values())
                .map(limit -> new Row(
                        limit.key(),
                        words(limit),
                        Arrays.stream(ClassOfWork.Preset.values())
                                .map(preset ->
                                        amount(limit, ClassOfWork.of(preset).limit(limit)))
                                .toList()))
                .toList();
    }

    /** The limits in force. */
    public static List<Row> inForce(ClassOfWork work) {
        return Arrays.stream(Limit.values())
                .map(limit -> new Row(limit.key(), words(limit), List.of(amount(limit, work.limit(limit)))))
                .toList();
    }

    /** One of the unit these rows are in: radians, metres or 1. */
    public static double unit(Limit limit) {
        return switch (limit.dimension()) {
            case ARC -> Angles.SECOND;
            case LENGTH -> 0.001;
            case MINUTES, COUNT, RATIO -> 1;
        };
    }

    private static String words(Limit limit) {
        String name = limit.name().toLowerCase(Locale.ROOT).replace('_', ' ');
        return switch (limit.dimension()) {
            case ARC -> name + ", seconds";
            case LENGTH -> name + ", mm";
            case MINUTES -> name + ", minutes";
            case RATIO -> name + ", the N of 1 : N";
            case COUNT -> name;
        };
    }

    private static String amount(Limit limit, double inForce) {
        double amount = inForce / unit(limit);
        return Math.abs(amount - Math.rint(amount)) < 1e-9 ? Words.number(amount, 0) : Words.number(amount, 1);
    }
}
