package markturn.web.practice;

import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.FixNoted;
import markturn.fieldbook.MarkAdded;
import markturn.fieldbook.PracticeOpened;
import markturn.simulator.AlderWeir;
import markturn.simulator.Fault;
import markturn.simulator.PracticeStation;
import markturn.survey.job.Job;
import markturn.survey.job.Mark;
import markturn.survey.job.SatelliteFix;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Simulated devices for a job: the station, the rover, the sensor, and the slips that can be practised with them. */
@Controller
class PracticeController {
    private static final long LARGEST_SEED = 999_999;

    private final FieldBook fieldBook;

    PracticeController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** Opens a fresh job at Alder Weir with its control, and the devices switched on. */
    @PostMapping("/practice/open")
    String open(@RequestParam(defaultValue = "1") long seed, @RequestParam String key, Principal who) {
        String id = fieldBook.open(key, AlderWeir.blank(), who.getName(), Set.of(who.getName()));
        fieldBook.add(id, "practice", who.getName(), new PracticeOpened(seed, List.of()));
        return "redirect:/job/" + id + "/setup";
    }

    @GetMapping("/job/{id}/practice")
    String page(@PathVariable String id, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), model, Map.of(), Optional.empty(), Map.of());
    }

    /** @param ticked slips that were ticked; empty: those that are on */
    private static String page(
            BookedJob book,
            Model model,
            Map<String, String> typed,
            Optional<List<String>> ticked,
            Map<String, String> faults) {
        JobPage.frame(model, book, WorkStep.JOB);
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        model.addAttribute("devices", PracticeStation.practice(book));
        Optional<PracticeOpened> on = book.practice();
        model.addAttribute(
                "seed",
                typed.getOrDefault("seed", "" + on.map(PracticeOpened::seed).orElse(1L)));
        model.addAttribute("slips", Fault.values());
        model.addAttribute(
                "ticked", ticked.orElse(on.map(PracticeOpened::faults).orElse(List.of())));
        PracticeStation.practice(book).ifPresent(practice -> {
            model.addAttribute("air", practice.weather().read());
            List<String> there = practice.world(book.job()).names();
            model.addAttribute("there", there);
        });
        model.addAttribute("fixes", book.job().fixes());
        return "practice/page";
    }

    /** Switches the devices on, or their slips. */
    @PostMapping("/job/{id}/practice")
    String choose(
            @PathVariable String id,
            @RequestParam Map<String, String> typed,
            @RequestParam(required = false) List<String> slip,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        long seed = (long) form.required("seed", 0, LARGEST_SEED, "a whole number from 0 to 999999");
        List<String> slips = slip == null ? List.of() : slip;
        if (!form.isSound()) {
            return page(book, model, typed, Optional.of(slips), form.faults());
        }
        fieldBook.add(id, typed.get("key"), who.getName(), new PracticeOpened(seed, slips));
        return "redirect:/job/" + id + "/practice";
    }

    /** Fixes a mark with the satellite rover. */
    @PostMapping("/job/{id}/practice/fix")
    String fix(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        String mark = form.name("mark", "the mark the rover stands on");
        Optional<SatelliteFix> fix = Optional.empty();
        if (form.isSound()) {
            try {
                fix = PracticeStation.practice(book)
                        .map(p -> p.rover(book.job())
                                .fix(
                                        mark,
                                        form.text("use").equals("observation")
                                                ? SatelliteFix.Use.OBSERVATION
                                                : SatelliteFix.Use.CHECK));
            } catch (IllegalArgumentException nothingThere) {
                form.fault("mark", nothingThere.getMessage());
            }
        }
        if (fix.isEmpty()) {
            return page(book, model, typed, Optional.empty(), form.faults());
        }
        List<EntryPayload> payloads = new ArrayList<>();
        if (book.job().mark(mark).isEmpty()) {
            payloads.add(new MarkAdded(Mark.named(mark, Mark.Kind.NEW)));
        }
        payloads.add(new FixNoted(rounded(fix.get(), book.job())));
        fieldBook.add(id, typed.get("key"), who.getName(), payloads);
        return "redirect:/job/" + id + "/practice";
    }

    /** A job without elevations takes none from the rover. */
    private static SatelliteFix rounded(SatelliteFix fix, Job job) {
        Mark.Coordinates at = fix.position();
        OptionalDouble up = job.planOnly() ? OptionalDouble.empty() : at.elevation();
        return new SatelliteFix(
                fix.mark(),
                new Mark.Coordinates(at.northing(), at.easting(), up),
                fix.stdDev(),
                fix.use(),
                fix.origin());
    }
}
