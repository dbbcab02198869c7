package markturn.pocket;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.Entry;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.InstrumentAdded;
import markturn.fieldbook.JobOpened;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.PracticeOpened;
import markturn.fieldbook.ReflectorAdded;
import markturn.fieldbook.wire.Tree;
import markturn.simulator.AlderWeir;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Mark;
import markturn.survey.job.Reflector;
import markturn.survey.job.Units;

/** Calls the core on this machine and in a browser alike, and holds what both say against each other. */
final class Day {
    private static final Units UNITS = new Units(LengthUnit.METRE, AngleUnit.DMS);

    private final InTheBrowser browser;
    private Instant now = Instant.parse("2026-04-17T08:00:00Z");
    private int keys;
    private int answered;
    private int booked;

    Day(InTheBrowser browser) {
        this.browser = browser;
    }

    int answered() {
        return answered;
    }

    /** How many lines its acts became. */
    int booked() {
        return booked;
    }

    /** A job with one instrument, one reflector, and A and B, 100 m apart due north. */
    void open() {
        double second = AngleUnit.DMS.small();
        List<EntryPayload> payloads = List.of(
                new JobOpened(Job.opened(
                        "Day", "", UNITS, ClassOfWork.of(ClassOfWork.Preset.ENGINEERING), false, Earth.USUAL)),
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
                new ReflectorAdded(new Reflector("Prism", -0.03, 0.001, 0.001, Optional.empty())),
                new MarkAdded(Mark.control("A", 1000, 5000, OptionalDouble.of(10), "list")),
                new MarkAdded(Mark.control("B", 1100, 5000, OptionalDouble.of(10.5), "list")));
        told(payloads);
    }

    /** A job at Alder Weir with a simulated station, which a slip or two lie in wait for. */
    void practise() {
        told(List.of(new JobOpened(AlderWeir.blank()), new PracticeOpened(7, List.of("bumped-leg", "misread-digit"))));
    }

    private void told(List<EntryPayload> payloads) {
        Tree.Items told = new Tree.Items();
        for (EntryPayload payload : payloads) {
            int sequence = told.size() + 1;
            told.add(Wire.written(new Entry(sequence, "told-" + sequence, now, "wren", payload), UNITS)
                    .put("sequence", sequence));
        }
        both("open", "day", JsonText.write(told), "[]", who());
    }

    private String who() {
        return text(Map.of(
                "account",
                "wren",
                "by",
                "Wren Teasel",
                "device",
                "tablet",
                "now",
                now.toString(),
                "surveyor",
                "true",
                "reviewer",
                "true"));
    }

    void page(String room, String setup, Map<String, String> asked) {
        both("page", "day", room, setup, "page-" + room, text(asked), who());
    }

    void ask(String room, String setup, String question, Map<String, String> asked) {
        both("answer", "day", room, setup, question, text(asked), who());
    }

    void act(String room, String setup, String act, Map<String, String> typed) {
        now = now.plusSeconds(30);
        Map<String, String> all = new LinkedHashMap<>(typed);
        all.put("key", "key-" + ++keys);
        all.put("page", "page-" + room);
        all.put("since", "0");
        both("act", "day", room, setup, act, text(all), who());
    }

    void book(String target, String role, String face, int set, String circle, String zenith, String slope) {
        Map<String, String> line = new LinkedHashMap<>(Map.of(
                "target",
                target,
                "role",
                role,
                "face",
                face,
                "set",
                String.valueOf(set),
                "reflector",
                "Prism",
                "height",
                "1.500"));
        line.putAll(Map.of("heightTo", "axis", "circle", circle, "zenith", zenith, "slope", slope));
        act("turning", "S1", "reading", line);
    }

    private static String text(Map<String, String> texts) {
        Tree.Fields fields = new Tree.Fields();
        texts.forEach(fields::put);
        return JsonText.write(fields);
    }

    private void both(String function, String... given) {
        String here = here(function, given);
        assertThat(browser.call(function, given))
                .as(function + " " + String.join(" ", given))
                .isEqualTo(here);
        answered++;
        if (function.equals("act") && JsonText.read(here).at("entries") instanceof Tree.Items lines) {
            booked += lines.size();
        }
    }

    private static String here(String function, String... given) {
        return switch (function) {
            case "open" -> Core.open(given[0], given[1], given[2], given[3]);
            case "page" -> Core.page(given[0], given[1], given[2], given[3], given[4], given[5]);
            case "answer" -> Core.answer(given[0], given[1], given[2], given[3], given[4], given[5]);
            case "act" -> Core.act(given[0], given[1], given[2], given[3], given[4], given[5]);
            default -> throw new IllegalArgumentException(function);
        };
    }
}
