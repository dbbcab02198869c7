package markturn.tripod;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import markturn.fieldbook.Admission;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.Booker;
import markturn.fieldbook.Computing;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.InstrumentAdded;
import markturn.fieldbook.JobOpened;
import markturn.fieldbook.ReflectorAdded;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.job.Units;
import markturn.tripod.mark.MarkEntries;
import markturn.tripod.page.Page;
import markturn.tripod.setup.Prepared;
import markturn.tripod.setup.SetUpEntries;
import markturn.tripod.turning.TurningEntries;
import markturn.tripod.turning.TurningSheet;
import markturn.tripod.typed.Occasion;
import markturn.tripod.typed.Outcome;
import markturn.tripod.view.View;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A day at the instrument without a server: what is typed becomes entries, entries a longer book, the book a view. */
public final class FieldDay {
    private static final JsonMapper JSON = new JsonMapper();
    private static final Booker BOTH = new Booker("wren", true, true);
    private static final Optional<String> DEVICE = Optional.of("tablet");

    private BookedJob book = Assembly.empty("day", Computing.AT_ONCE);
    private Instant now = Instant.parse("2026-04-17T08:00:00Z");
    private Map<String, String> faults = Map.of();
    private String said = "";
    private int keys;

    /** A job with one instrument, one reflector and control A and B, 100 m apart due north. */
    public FieldDay() {
        Units units = new Units(LengthUnit.METRE, AngleUnit.DMS);
        add(List.of(new JobOpened(
                Job.opened("Day", "", units, ClassOfWork.of(ClassOfWork.Preset.ENGINEERING), false, Earth.USUAL))));
        double second = AngleUnit.DMS.small();
        add(List.of(
                new InstrumentAdded(new Instrument(
                        "I1",
                        2 * second,
                        2 * second,
                        0.002,
                        2,
                        0.001,
                        0.001,
                        OptionalDouble.empty(),
                        new Atmosphere(15, 1013.25, 0),
                        Optional.empty())),
                new ReflectorAdded(new Reflector("Prism", -0.03, 0.001, 0.001, Optional.empty()))));
        Map<String, String> marks = new LinkedHashMap<>();
        mark(marks, 0, "A", "1000", "5000", "10");
        mark(marks, 1, "B", "1100", "5000", "10.5");
        act(marks, (now, occasion) -> Optional.of(new MarkEntries(now, occasion).enter(marks)));
    }

    private static void mark(Map<String, String> typed, int row, String name, String north, String east, String up) {
        typed.putAll(Map.of(
                "name-" + row,
                name,
                "northing-" + row,
                north,
                "easting-" + row,
                east,
                "elevation-" + row,
                up,
                "source-" + row,
                "list"));
    }

    public BookedJob book() {
        return book;
    }

    public Setup setup() {
        return book.job().setups().get(book.job().setups().size() - 1);
    }

    /** What the last act was refused for; empty where it was booked. */
    public Map<String, String> faults() {
        return faults;
    }

    public void later(int minutes) {
        now = now.plusSeconds(60L * minutes);
    }

    /** Sets up on A with B as backsight and T1 as target, and turns two sets to their truth. */
    public void turnOnA() {
        occupyA();
        for (int start : new int[] {0, 90}) {
            book(start + " 00 00", "89 42 50.1", "100.001");
            book(75 + start + " 20 20.2", "88 34 05.6", "80.025");
            book(255 + start + " 20 20.2", "271 25 54.4", "80.025");
            book(180 + start + " 00 00", "270 17 09.9", "100.001");
        }
    }

    /** Sets up on A with B as backsight and T1 as target. */
    public void occupyA() {
        Map<String, String> typed = new LinkedHashMap<>(Prepared.typed(book, Map.of()));
        typed.putAll(Map.of("station", "A", "height", "1.500", "instrument", "I1", "method", "occupied"));
        typed.putAll(Map.of("back-0", "B", "back-0-reflector", "Prism", "back-0-height", "1.500"));
        typed.putAll(Map.of("fore-0", "T1", "fore-0-reflector", "Prism", "fore-0-height", "1.500"));
        act(typed, (now, occasion) -> Optional.of(new SetUpEntries(now, occasion).begin(typed)));
    }

    /** Books the line in hand. */
    public void book(String circle, String zenith, String slope) {
        JsonNode live = part("live");
        Map<String, String> typed =
                new LinkedHashMap<>(Map.of("key", "page", "circle", circle, "zenith", zenith, "slope", slope));
        for (String field : List.of("target", "role", "set", "face", "reflector", "height", "heightTo")) {
            typed.put(field, live.path(field).asString(""));
        }
        turning("reading", typed);
    }

    public void turning(String act, Map<String, String> typed) {
        act(typed, (now, occasion) -> new TurningEntries(now, setup(), occasion).of(act, typed));
    }

    /** An act of a page, as its address and its form name it; what the page then says stands in {@link #said}. */
    public void on(String room, String setup, String act, Map<String, String> typed) {
        BookedJob before = book;
        Map<String, String> keyed = new LinkedHashMap<>(typed);
        keyed.putIfAbsent("key", "page-" + ++keys);
        Page page = Pages.at(book, room, setup).orElseThrow();
        act(keyed, (now, occasion) -> page.act(now, occasion, act, keyed));
        said = "";
        if (faults.isEmpty()) {
            View view = Pages.at(book, room, setup)
                    .orElseThrow()
                    .after(before, book, new Occasion("wren", "Wren Teasel", DEVICE, now), act, keyed);
            said = read(view.whole()).path("message").asString("");
        }
    }

    /** What is typed of a point by a name, sighted with the prism. */
    public static Map<String, String> pointing(String name, String height, String circle, String zenith, String slope) {
        Map<String, String> typed = new LinkedHashMap<>(Map.of("name", name, "reflector", "Prism", "height", height));
        typed.putAll(Map.of("circle", circle, "zenith", zenith, "slope", slope));
        return typed;
    }

    /** What the page said after the last act; empty where it said nothing. */
    public String said() {
        return said;
    }

    /** Lets a function make entries of what was typed, and lays them on. */
    public void act(Map<String, String> typed, BiFunction<BookedJob, Occasion, Optional<Outcome>> act) {
        typed = new LinkedHashMap<>(typed);
        Outcome outcome = act.apply(book, new Occasion("wren", "Wren Teasel", DEVICE, now))
                .orElseThrow();
        faults = outcome instanceof Outcome.Faults f ? f.byField() : Map.of();
        if (outcome instanceof Outcome.Entries entries) {
            add(entries.payloads());
        }
    }

    private void add(List<? extends EntryPayload> payloads) {
        for (EntryPayload payload : payloads) {
            Admission.require(book, payload, BOTH);
            book = Assembly.with(book, new Entry(book.revision() + 1, "key-" + ++keys, now, "wren", payload));
        }
    }

    /** What a page shows, as its address asks for it. */
    public JsonNode shown(String room, String setup, Map<String, String> asked) {
        return read(Pages.at(book, room, setup)
                .orElseThrow()
                .view(book, new Occasion("wren", "Wren Teasel", DEVICE, now), asked)
                .whole());
    }

    public View view() {
        return TurningSheet.inOrder(DEVICE, false).view(book, setup(), now);
    }

    public JsonNode part(String name) {
        return read(view().whole()).get("parts").get(name);
    }

    public JsonNode lines() {
        return read(view().whole()).get("lines");
    }

    public static JsonNode read(String json) {
        return JSON.readTree(json);
    }
}
