package markturn.pocket;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import markturn.fieldbook.Assembly;
import markturn.fieldbook.Entry;
import markturn.fieldbook.wire.Fault;
import markturn.fieldbook.wire.JobNames;
import markturn.fieldbook.wire.JobReader;
import markturn.fieldbook.wire.ResultWriter;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.survey.Survey;
import markturn.survey.job.Job;
import markturn.survey.job.Units;
import markturn.survey.show.Display;
import markturn.tripod.Pages;
import markturn.tripod.page.Page;
import markturn.tripod.view.LineInWords;
import org.teavm.jso.JSExport;

/** What the module exports: functions of texts alone, so that a page, a worker and a test call them alike. */
public final class Core {
    /** The program as files name it: of the build, which a test holds it to. */
    static final String PROGRAM = "Mark Turn 0.2.0";

    private static final Map<String, Pocket> POCKETS = new HashMap<>();

    private Core() {}

    /** Nothing runs by itself. */
    public static void main(String[] arguments) {}

    /**
     * Computes a job file.
     *
     * @param file its text: JSON, as docs/job-file.schema.json has it
     * @return the text of the result file
     * @throws IllegalArgumentException with what is wrong, one line a fault, where it is no job file
     */
    @JSExport
    public static String compute(String file) {
        List<Fault> faults = new ArrayList<>();
        Job job = JobReader.job(JsonText.read(file), faults);
        if (faults.isEmpty()) {
            JobNames.check(job, faults);
        }
        if (!faults.isEmpty()) {
            throw new IllegalArgumentException(faults.stream().map(Fault::line).collect(Collectors.joining("\n")));
        }
        return JsonText.write(ResultWriter.result(Survey.compute(job), PROGRAM));
    }

    /**
     * Opens a job on the device, anew.
     *
     * @param told entries as the server told them, a JSON list in order
     * @param own what the device booked before and has not sent, the same
     * @return {@code upTo} the last sequence told, and {@code aside}: of the device's own what no longer fits, with {@code key} and
     *     {@code reason}
     */
    @JSExport
    public static String open(String job, String told, String own, String who) {
        Pocket pocket = new Pocket(job);
        POCKETS.put(job, pocket);
        Carrier carrier = Carrier.of(who);
        List<Pocket.SetAside> aside = new ArrayList<>(pocket.tell(entries(pocket, told, true), carrier));
        aside.addAll(pocket.takeUp(entries(pocket, own, false), carrier));
        return standing(pocket, aside);
    }

    /** What the server tells of a job that is open, behind what it told before; answered as {@link #open}. */
    @JSExport
    public static String tell(String job, String told, String who) {
        Pocket pocket = POCKETS.get(job);
        return standing(pocket, pocket.tell(entries(pocket, told, true), Carrier.of(who)));
    }

    /** Whether a job is open. */
    @JSExport
    public static boolean isOpen(String job) {
        return POCKETS.containsKey(job);
    }

    /** Puts a job away. */
    @JSExport
    public static void close(String job) {
        POCKETS.remove(job);
    }

    /**
     * Lines of this device as people read them.
     *
     * @param own a JSON list, as {@link #open} takes it
     * @return a JSON list of texts, in the same order
     */
    @JSExport
    public static String words(String job, String own) {
        Pocket pocket = POCKETS.get(job);
        Display show = new Display(pocket.book().job().units());
        Tree.Items words = new Tree.Items();
        entries(pocket, own, false).forEach(entry -> words.add(LineInWords.of(entry.payload(), show)));
        return JsonText.write(words);
    }

    private static List<Entry> entries(Pocket pocket, String json, boolean told) {
        Assembly.Replay units = new Assembly.Replay(pocket.book());
        List<Entry> entries = new ArrayList<>();
        for (Tree tree : (Tree.Items) JsonText.read(json)) {
            Entry entry = Wire.entry(tree, told ? (long) Wire.number(tree, "sequence") : 1, units.units());
            if (told) {
                units.add(entry);
            }
            entries.add(entry);
        }
        return entries;
    }

    private static String standing(Pocket pocket, List<Pocket.SetAside> aside) {
        Fields standing = new Fields().put("upTo", pocket.toldUpTo());
        Tree.Items items = standing.putItems("aside");
        aside.forEach(each -> items.add(new Fields().put("key", each.key()).put("reason", each.reason())));
        return JsonText.write(standing);
    }

    /**
     * A page with its first view.
     *
     * @param id by which what it shows is remembered
     * @param asked what its address asks for, texts by name
     * @return {@code name} of its template, {@code title}, {@code here} and {@code view}; {@code instead} where somebody is led elsewhere;
     *     empty where the job has no such page
     */
    @JSExport
    public static String page(String job, String room, String setup, String id, String asked, String who) {
        Pocket pocket = POCKETS.get(job);
        Optional<String> instead = setup.isEmpty() ? Pages.instead(pocket.book(), room) : Optional.empty();
        if (instead.isPresent()) {
            return JsonText.write(new Fields().put("instead", instead.get()));
        }
        return pocket.page(room, setup)
                .map(page -> JsonText.write(new Fields()
                        .put("name", page.name())
                        .put("title", page.title())
                        .put("view", pocket.whole(id, page, Carrier.of(who), Wire.texts(asked)))))
                .orElse("");
    }

    /** What a page says to a question, as JSON; asked for its {@code view}, what it draws anew. Empty where it has no such question. */
    @JSExport
    public static String answer(String job, String room, String setup, String question, String asked, String who) {
        Pocket pocket = POCKETS.get(job);
        Map<String, String> texts = Wire.texts(asked);
        Carrier carrier = Carrier.of(who);
        Optional<Page> page = pocket.page(room, setup);
        return question.equals("view")
                ? page.map(of -> pocket.changed(of, carrier, texts)).orElse("")
                : page.flatMap(of -> pocket.answer(of, carrier, question, texts))
                        .map(shown -> shown.sheet().json())
                        .orElse("");
    }

    /**
     * An act of a page.
     *
     * @param typed what was typed, texts by name, with its {@code key}
     * @return {@code entries} to be kept and sent, and {@code view}, what the page draws anew; or {@code faults} by field; {@code revision}, of the book it was held
     *     against or has become; empty where
     *     there is no such act
     */
    @JSExport
    public static String act(String job, String room, String setup, String act, String typed, String who) {
        Pocket pocket = POCKETS.get(job);
        Units units = pocket.book().job().units();
        return pocket.page(room, setup)
                .flatMap(page -> pocket.act(room, setup, act, Wire.texts(typed), Carrier.of(who)))
                .map(done -> JsonText.write(
                        written(done, units).put("revision", pocket.book().revision())))
                .orElse("");
    }

    /** See {@link PlanTable#planSite}. */
    @JSExport
    public static void planSite(String text) {
        PlanTable.planSite(text);
    }

    /** See {@link PlanTable#planTried}. */
    @JSExport
    public static String planTried(String text, boolean whole) {
        return PlanTable.planTried(text, whole);
    }

    /** See {@link PlanTable#planTaken}. */
    @JSExport
    public static void planTaken(String text, String setup) {
        PlanTable.planTaken(text, setup);
    }

    /** See {@link PlanTable#planDragged}. */
    @JSExport
    public static String planDragged(double northing, double easting) {
        return PlanTable.planDragged(northing, easting);
    }

    /** See {@link PlanTable#planSeen}. */
    @JSExport
    public static String planSeen(double northing, double easting, double reach) {
        return PlanTable.planSeen(northing, easting, reach);
    }

    /** See {@link PlanTable#planGround}. */
    @JSExport
    public static double planGround(String text, String setup, String instrument, String reflector, int sets) {
        return PlanTable.planGround(text, setup, instrument, reflector, sets);
    }

    /** See {@link PlanTable#planRow}. */
    @JSExport
    public static String planRow(double northing, double west, double step, int places) {
        return PlanTable.planRow(northing, west, step, places);
    }

    /** See {@link PlanTable#planProposed}. */
    @JSExport
    public static String planProposed(String text, String instrument, String reflector) {
        return PlanTable.planProposed(text, instrument, reflector);
    }

    /** See {@link PlanTable#planMatrix}. */
    @JSExport
    public static String planMatrix(String text) {
        return PlanTable.planMatrix(text);
    }

    /** See {@link PlanTable#planSketched}. */
    @JSExport
    public static String planSketched(String one, double first, String two, double second, boolean right) {
        return PlanTable.planSketched(one, first, two, second, right);
    }

    /** See {@link PlanTable#planReasons}. */
    @JSExport
    public static String planReasons(String text) {
        return PlanTable.planReasons(text);
    }

    private static Fields written(Pocket.Done done, Units units) {
        Fields written = new Fields();
        if (!done.faults().isEmpty()) {
            Fields faults = written.putFields("faults");
            done.faults().forEach(faults::put);
            return written;
        }
        Tree.Items entries = written.putItems("entries");
        done.entries().forEach(entry -> entries.add(Wire.written(entry, units)));
        return written.put("view", done.view());
    }
}
