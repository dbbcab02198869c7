package markturn.tripod.setup;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.TurningOrder;
import markturn.survey.finding.words.Words;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Code;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Reading;
import markturn.survey.job.Setup;
import markturn.survey.plan.PlannedSetup;
import markturn.survey.show.Display;
import markturn.tripod.view.Sheet;

/** What the sheet of setting up knows before anything is typed: never a height, which is measured anew each time. */
public final class Prepared {
    private Prepared() {}

    /**
     * The fields of the sheet.
     *
     * @param asked {@code from} a setup {@code to} one of its targets for the move there, {@code again} for the same setup once more, or
     *     {@code planned} one that is to be made
     */
    public static Map<String, String> typed(BookedJob book, Map<String, String> asked) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("name", freeName(book));
        typed.put("sets", String.valueOf((int) book.job().classOfWork().limit(Limit.SETS)));
        typed.put("start", "small");
        typed.put("distances", "1");
        book.job()
                .setup(asked.getOrDefault("from", ""))
                .ifPresent(before -> moved(book, before, asked.getOrDefault("to", ""), typed));
        book.job().setup(asked.getOrDefault("again", "")).ifPresent(before -> again(book, before, typed));
        book.planned().stream()
                .filter(setup -> setup.name().equals(asked.getOrDefault("planned", "")))
                .findFirst()
                .ifPresent(setup -> planned(book, setup, typed));
        return typed;
    }

    /** What the sheet is headed, as it was prepared. */
    public static String heading(Map<String, String> typed) {
        return typed.containsKey("from")
                ? "Move to " + typed.getOrDefault("station", "")
                : typed.containsKey("again")
                        ? "Set up once more as " + typed.get("again")
                        : typed.containsKey("planned") ? "Set up " + typed.get("planned") + ", as planned" : "Set up";
    }

    /**
     * The air of the setup before, to be taken over by whoever finds it the same: in words, and as values of the fields. Empty where none
     * was noted.
     */
    static Sheet air(Job job, Display show) {
        List<Setup> noted = job.setups().stream()
                .filter(setup -> setup.atmosphere().isPresent())
                .toList();
        if (noted.isEmpty()) {
            return Sheet.empty();
        }
        Setup last = noted.get(noted.size() - 1);
        Atmosphere air = last.atmosphere().orElseThrow();
        String temperature = Words.number(air.temperature(), 1);
        String pressure = Words.number(air.pressure(), 1);
        String when =
                last.settingUp().at().map(at -> ", " + show.dayAndTime(at)).orElse("");
        return Sheet.empty()
                .with("words", temperature + " °C, " + pressure + " hPa, as at " + last.name() + when)
                .with("fill", "temperature=" + temperature + "&pressure=" + pressure);
    }

    private static String freeName(BookedJob book) {
        int number = book.job().setups().size() + 1;
        while (book.job().setup("S" + number).isPresent()) {
            number++;
        }
        return "S" + number;
    }

    /** The last foresight becomes the station, the last station the backsight; heights are asked again, no exception. */
    private static void moved(BookedJob book, Setup before, String to, Map<String, String> typed) {
        TurningOrder order = book.order(before);
        typed.put("from", before.name());
        typed.put("station", to);
        alike(before, order, typed);
        typed.put("back-0", before.station());
        order.aim(to).ifPresent(aim -> {
            typed.put("back-0-reflector", aim.reflector());
            aim.centringStdDev().ifPresent(c -> {
                typed.put("centring", Words.number(c * 1000, 2));
                typed.put("back-0-centring", Words.number(c * 1000, 2));
            });
        });
    }

    /** What stays from one setup to the next. */
    private static void alike(Setup before, TurningOrder order, Map<String, String> typed) {
        typed.put("instrument", before.instrument());
        typed.put("sets", String.valueOf(order.sets()));
        typed.put("school", order.school().key());
        typed.put("distances", String.valueOf(order.distances()));
    }

    /** The same station and backsights once more, after a break or on another day: heights are asked anew, the circle is as it is found. */
    private static void again(BookedJob book, Setup before, Map<String, String> typed) {
        TurningOrder order = book.order(before);
        typed.put("again", before.name());
        typed.put("method", before.isFree() ? "resection" : "occupied");
        typed.put("station", before.station());
        typed.put("freeStation", Code.after(book.job(), before.station()));
        alike(before, order, typed);
        typed.put("start", "falls");
        aims(
                order.aims().stream()
                        .map(aim -> new PlannedSetup.Aim(aim.target(), aim.role(), aim.reflector()))
                        .toList(),
                typed);
    }

    /** As it was planned: what is measured is asked anew. */
    private static void planned(BookedJob book, PlannedSetup setup, Map<String, String> typed) {
        typed.put("planned", setup.name());
        typed.put("name", setup.name());
        typed.put("method", setup.method().key());
        typed.put(setup.method() == PlannedSetup.Method.OCCUPIED ? "station" : "freeStation", setup.station());
        if (book.job().instruments().stream().anyMatch(i -> i.name().equals(setup.instrument()))) {
            typed.put("instrument", setup.instrument());
        }
        typed.put("sets", String.valueOf(setup.sets()));
        typed.put("school", setup.school().key());
        typed.put("start", "falls");
        aims(setup.aims(), typed);
    }

    private static void aims(List<PlannedSetup.Aim> aims, Map<String, String> typed) {
        int back = 0;
        int fore = 0;
        for (PlannedSetup.Aim aim : aims) {
            boolean backsight = aim.role() == Reading.Role.BACKSIGHT;
            if (backsight && back == SetupForm.BACKSIGHTS || !backsight && fore == SetupForm.FORESIGHTS) {
                continue;
            }
            String field = backsight ? "back-" + back++ : "fore-" + fore++;
            typed.put(field, aim.target());
            typed.put(field + "-reflector", aim.reflector());
        }
    }
}
