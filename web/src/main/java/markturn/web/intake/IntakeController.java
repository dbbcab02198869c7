package markturn.web.intake;

import java.io.IOException;
import java.security.Principal;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.DecisionMade;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.Refused;
import markturn.formats.FaultyFile;
import markturn.formats.GeoJsonPoints;
import markturn.formats.ImportedPoints;
import markturn.formats.LandXmlReader;
import markturn.formats.PointTable;
import markturn.survey.job.Decision;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.Decisions;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import markturn.web.people.People;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;

@Controller
class IntakeController {
    private static final int ROWS_SHOWN = 6;
    private static final int CONFLICTS_SHOWN = 200;
    private static final double USUAL_STD_DEV = 0.010;

    private final FieldBook fieldBook;
    private final Intakes intakes;
    private final People people;

    IntakeController(FieldBook fieldBook, Intakes intakes, People people) {
        this.fieldBook = fieldBook;
        this.intakes = intakes;
        this.people = people;
    }

    /** How a file is to be read, as far as it does not say so itself. */
    private record Reading(
            Optional<PointTable> table, List<PointTable.Meaning> meanings, LengthUnit unit, boolean comma) {}

    @GetMapping("/job/{id}/intake")
    String choose(@PathVariable String id, Model model, Principal who) {
        JobPage.frame(model, fieldBook.book(id, who.getName()), WorkStep.CONTROL_MARKS);
        return "intake/choose";
    }

    @PostMapping("/job/{id}/intake")
    String bring(@PathVariable String id, @RequestParam MultipartFile file, Principal who) throws IOException {
        fieldBook.book(id, who.getName());
        String name = Optional.ofNullable(file.getOriginalFilename()).orElse("file");
        return "redirect:/job/" + id + "/intake/"
                + intakes.keep(id, who.getName(), name.length() > 100 ? name.substring(0, 100) : name, file.getBytes());
    }

    private Intakes.Intake intake(String token, String id, Principal who) {
        return intakes.find(token, id, who.getName()).orElseThrow(NotHere::new);
    }

    /** The preview: which column is what, in which unit, and how it stands to the job. Changing a choice shows it anew. */
    @GetMapping("/job/{id}/intake/{token}")
    String preview(
            @PathVariable String id,
            @PathVariable String token,
            @RequestParam Map<String, String> asked,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Intakes.Intake intake = intake(token, id, who);
        JobPage.frame(model, book, WorkStep.CONTROL_MARKS);
        model.addAttribute("intake", intake);
        model.addAttribute("token", token);
        model.addAttribute("asked", asked);
        try {
            Reading reading = reading(intake, asked, book.job());
            ImportedPoints points = points(intake, reading, asked, book.job(), line -> {});
            Optional<OtherSystem> system = otherSystem(book, points, asked);
            List<IntakeComparison.Row> rows = IntakeComparison.against(
                    book, system.map(OtherSystem::points).orElse(points.points()));
            model.addAttribute("systems", OtherSystem.CHOICES);
            model.addAttribute(
                    "inBoth", OtherSystem.inBoth(book, points.points()).size());
            model.addAttribute("system", system);
            model.addAttribute("reading", reading.table().orElse(null));
            model.addAttribute("meanings", reading.meanings());
            model.addAttribute("unit", reading.unit());
            model.addAttribute("comma", reading.comma());
            model.addAttribute("choices", PointTable.Meaning.values());
            model.addAttribute("units", LengthUnit.values());
            model.addAttribute("feetDiffer", feetDiffer(points));
            model.addAttribute(
                    "shown",
                    reading.table()
                            .map(t -> t.rows()
                                    .subList(0, Math.min(ROWS_SHOWN, t.rows().size())))
                            .orElse(List.of()));
            model.addAttribute("points", points);
            Map<IntakeComparison.Standing, Long> counts = counts(rows);
            long taken = taken(counts);
            model.addAttribute("counted", counted(counts, taken));
            model.addAttribute("taken", taken);
            List<IntakeComparison.Row> conflicts =
                    rows.stream().filter(IntakeComparison.Row::isConflict).toList();
            model.addAttribute("conflicts", conflicts.subList(0, Math.min(CONFLICTS_SHOWN, conflicts.size())));
            model.addAttribute("projected", book.job().earth().projection().isPresent());
            model.addAttribute("json", GeoJsonPoints.isJson(intake.file()));
        } catch (FaultyFile faulty) {
            model.addAttribute("fileFaults", faulty.faults());
        }
        return "intake/preview";
    }

    private static Optional<OtherSystem> otherSystem(BookedJob book, ImportedPoints points, Map<String, String> asked) {
        return OtherSystem.chosen(asked.getOrDefault("system", ""))
                .flatMap(kind -> OtherSystem.of(book, points.points(), kind));
    }

    private static Map<IntakeComparison.Standing, Long> counts(List<IntakeComparison.Row> rows) {
        Map<IntakeComparison.Standing, Long> counts = new EnumMap<>(IntakeComparison.Standing.class);
        rows.forEach(row -> counts.merge(row.standing(), 1L, Long::sum));
        return counts;
    }

    /** How many names the job has already for something that lies elsewhere, or nowhere yet. */
    private static long taken(Map<IntakeComparison.Standing, Long> counts) {
        return counts.getOrDefault(IntakeComparison.Standing.DIFFERS, 0L)
                + counts.getOrDefault(IntakeComparison.Standing.UNPLACED, 0L);
    }

    private static String counted(Map<IntakeComparison.Standing, Long> counts, long taken) {
        return Sentence.of(
                "%s new, %d stand in the job as they are here, %s taken.",
                Sentence.count(counts.getOrDefault(IntakeComparison.Standing.NEW, 0L), "point is", "points are"),
                counts.getOrDefault(IntakeComparison.Standing.SAME, 0L),
                Sentence.count(taken, "name is", "names are"));
    }

    /** What the wrong one of the two feet would do to the farthest coordinate, metres. */
    private static double feetDiffer(ImportedPoints points) {
        double farthest = points.points().stream()
                .mapToDouble(p -> Math.max(Math.abs(p.northing()), Math.abs(p.easting())))
                .max()
                .orElse(0);
        return LengthUnit.feetApart(farthest);
    }

    private static Reading reading(Intakes.Intake intake, Map<String, String> asked, Job job) throws FaultyFile {
        Optional<LengthUnit> unit = LengthUnit.of(asked.getOrDefault("unit", ""));
        if (GeoJsonPoints.isJson(intake.file()) || LandXmlReader.isXml(intake.file())) {
            return new Reading(
                    Optional.empty(), List.of(), unit.orElse(job.units().length()), false);
        }
        PointTable table = intake.table();
        List<PointTable.Meaning> meanings = new ArrayList<>(table.proposal());
        for (int column = 0; column < meanings.size(); column++) {
            String chosen = asked.getOrDefault("column-" + column, "");
            for (PointTable.Meaning meaning : PointTable.Meaning.values()) {
                if (meaning.name().equals(chosen)) {
                    meanings.set(column, meaning);
                }
            }
        }
        boolean comma = asked.containsKey("decimal") ? asked.get("decimal").equals("comma") : table.decimalComma();
        return new Reading(
                Optional.of(table),
                meanings,
                unit.or(table::unitOfHeading).orElse(job.units().length()),
                comma);
    }

    /** The points as the choices read them; those of the last look are not read again. */
    private static ImportedPoints points(
            Intakes.Intake intake,
            Reading reading,
            Map<String, String> asked,
            Job job,
            java.util.function.IntConsumer progress)
            throws FaultyFile {
        boolean globe =
                "wgs84".equals(asked.get("places")) && job.earth().projection().isPresent();
        return intake.points(
                List.of(reading.meanings(), reading.unit(), reading.comma(), globe),
                () -> read(intake.file(), reading, globe, job, progress));
    }

    private static ImportedPoints read(
            byte[] file, Reading reading, boolean globe, Job job, java.util.function.IntConsumer progress)
            throws FaultyFile {
        if (LandXmlReader.isXml(file)) {
            return LandXmlReader.points(file);
        }
        if (GeoJsonPoints.isJson(file)) {
            return globe
                    ? GeoJsonPoints.readGeographic(
                            file, job.earth().projection().orElseThrow())
                    : GeoJsonPoints.read(file, reading.unit());
        }
        return reading.table().orElseThrow().points(reading.meanings(), reading.unit(), reading.comma(), progress);
    }

    /** Takes the file in as it was last looked at, beside the pages: all of it or nothing. */
    @PostMapping("/job/{id}/intake/{token}/take")
    String take(
            @PathVariable String id,
            @PathVariable String token,
            @RequestParam Map<String, String> asked,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Intakes.Intake intake = intake(token, id, who);
        Form form = new Form(asked, book.job().units());
        OptionalDouble stdDev = form.length("stdDev", 0, 100, "a standard deviation");
        if (!form.isSound()) {
            model.addAttribute("faults", form.faults());
            return preview(id, token, asked, model, who);
        }
        Map<String, IntakeDecisions.Conflict> single = new HashMap<>();
        asked.forEach((field, value) -> {
            if (field.startsWith("conflict-") && !value.isEmpty()) {
                single.put(field.substring("conflict-".length()), IntakeDecisions.Conflict.of(value));
            }
        });
        String source = form.text("source").isEmpty() ? intake.name() : form.text("source");
        IntakeDecisions taking = new IntakeDecisions(
                !"located".equals(asked.get("kind")),
                source.length() > 100 ? source.substring(0, 100) : source,
                stdDev.orElse(USUAL_STD_DEV),
                IntakeDecisions.Conflict.of(asked.getOrDefault("conflicts", "")),
                single);
        String by = who.getName();
        intakes.begin(intake, work -> takeIn(work, id, by, "intake-" + token, asked, taking));
        return "redirect:/job/" + id + "/intake/" + token + "/run";
    }

    private void takeIn(
            Intakes.Intake intake,
            String id,
            String by,
            String key,
            Map<String, String> asked,
            IntakeDecisions taking) {
        try {
            BookedJob book = fieldBook.book(id, by);
            Reading reading = reading(intake, asked, book.job());
            int lines = reading.table().map(t -> t.rows().size()).orElse(1);
            ImportedPoints points =
                    points(intake, reading, asked, book.job(), line -> intake.reached(0.4 * line / lines));
            intake.reached(0.4);
            Optional<OtherSystem> system = otherSystem(book, points, asked);
            if (system.isEmpty()
                    && OtherSystem.chosen(asked.getOrDefault("system", "")).isPresent()) {
                throw new Refused("system", "Too few of its marks are in the job to bring it into the job's system.");
            }
            List<IntakeComparison.Row> rows = IntakeComparison.against(
                    book, system.map(OtherSystem::points).orElse(points.points()));
            intake.reached(0.5);
            IntakeDecisions.Made made = taking.of(book.job(), rows);
            List<EntryPayload> payloads = new ArrayList<>(made.entries());
            system.ifPresent(fitted -> payloads.add(transformed(intake.name(), fitted, by)));
            intake.reached(0.6);
            fieldBook.add(id, key, by, payloads, share -> intake.reached(0.6 + 0.4 * share));
            intake.ended(
                    Intakes.State.DONE,
                    "%s came in, %d more under new names; %d became checks, %d were left out%s."
                            .formatted(
                                    made.marks() + (made.marks() == 1 ? " mark" : " marks"),
                                    made.renamed(),
                                    made.checks(),
                                    made.leftOut(),
                                    points.faults().isEmpty()
                                            ? ""
                                            : ", and "
                                                    + points.faults().size()
                                                    + (points.faults().size() == 1 ? " line" : " lines")
                                                    + " could not be read"));
        } catch (FaultyFile | Refused refused) {
            intake.ended(Intakes.State.REFUSED, "Nothing of the file was stored. " + refused.getMessage());
        }
    }

    /** The record of how a list was brought into the job's system. */
    private DecisionMade transformed(String file, OtherSystem system, String by) {
        return new DecisionMade(Decisions.now(
                people.shownName(by),
                Decision.TRANSFORM,
                Map.of("file", file),
                system.words(),
                Optional.empty(),
                Optional.of(system.record())));
    }

    /** How the taking-in stands: under way, done, cancelled or refused. */
    @GetMapping("/job/{id}/intake/{token}/run")
    String run(@PathVariable String id, @PathVariable String token, Model model, Principal who) {
        Intakes.Intake intake = intake(token, id, who);
        if (intake.state() == Intakes.State.LOOKED_AT) {
            return "redirect:/job/" + id + "/intake/" + token;
        }
        JobPage.frame(model, fieldBook.book(id, who.getName()), WorkStep.CONTROL_MARKS);
        model.addAttribute("intake", intake);
        model.addAttribute("token", token);
        return "intake/run";
    }

    @GetMapping("/job/{id}/intake/{token}/progress")
    @ResponseBody
    Map<String, Object> progress(@PathVariable String id, @PathVariable String token, Principal who) {
        Intakes.Intake intake = intake(token, id, who);
        return Map.of("share", intake.share(), "done", intake.state() != Intakes.State.UNDER_WAY);
    }

    @PostMapping("/job/{id}/intake/{token}/cancel")
    String cancel(@PathVariable String id, @PathVariable String token, Principal who) {
        intake(token, id, who).cancel();
        return "redirect:/job/" + id + "/intake/" + token + "/run";
    }
}
