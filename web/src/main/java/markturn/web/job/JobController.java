package markturn.web.job;

import java.security.Principal;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.JobNamed;
import markturn.formats.FaultyFile;
import markturn.formats.JobFile;
import markturn.formats.LandXmlReader;
import markturn.report.LimitRows;
import markturn.survey.angle.AngleUnit;
import markturn.survey.finding.words.Words;
import markturn.survey.job.ClassOfWork;
import markturn.survey.job.Earth;
import markturn.survey.job.Job;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.Units;
import markturn.survey.show.Display;
import markturn.survey.show.Sentence;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkProgress;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.HeavyWork;
import markturn.web.frame.JobPage;
import markturn.web.frame.TypedAgain;
import markturn.web.instrument.InstrumentMemory;
import markturn.web.people.People;
import markturn.web.register.Register;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

@Controller
class JobController {
    private final FieldBook fieldBook;
    private final People people;
    private final HeavyWork heavy;
    private final JobList list;
    private final InstrumentMemory instruments;
    private final Register register;

    JobController(
            FieldBook fieldBook,
            People people,
            HeavyWork heavy,
            JobList list,
            InstrumentMemory instruments,
            Register register) {
        this.register = register;
        this.instruments = instruments;
        this.list = list;
        this.heavy = heavy;
        this.fieldBook = fieldBook;
        this.people = people;
    }

    /** @param from id of an earlier job that the new one begins from; empty for none */
    @GetMapping("/job/new")
    String blank(@RequestParam(defaultValue = "") String from, Model model, Principal who) {
        if (from.isEmpty()) {
            return form(model, who, Map.of("length", "m", "angle", "dms", "classOfWork", "engineering"), Map.of());
        }
        Map<String, String> typed = new LinkedHashMap<>(
                FromEarlier.typed(fieldBook.book(from, who.getName()).job()));
        typed.put("from", from);
        return form(model, who, typed, Map.of());
    }

    private String form(Model model, Principal who, Map<String, String> typed, Map<String, String> faults) {
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        model.addAttribute("classes", ClassOfWork.Preset.values());
        model.addAttribute(
                "others",
                people.all().stream()
                        .filter(p -> !p.isDisabled() && !p.signInName().equals(who.getName()))
                        .toList());
        model.addAttribute("limits", LimitRows.all());
        model.addAttribute("zones", Display.zones());
        model.addAttribute("ownZone", ZoneId.systemDefault().getId());
        fieldBook
                .find(typed.getOrDefault("from", ""), who.getName())
                .map(BookedJob::job)
                .ifPresent(earlier -> {
                    model.addAttribute("earlier", earlier);
                    model.addAttribute("takes", FromEarlier.parts(earlier));
                    model.addAttribute("control", FromEarlier.shown(earlier));
                });
        return "job/new";
    }

    @PostMapping("/job/new")
    String open(
            @RequestParam Map<String, String> typed,
            @RequestParam(required = false) List<String> member,
            @RequestParam(required = false) List<String> mark,
            Model model,
            Principal who) {
        Units units = new Units(
                LengthUnit.of(typed.getOrDefault("length", "")).orElse(LengthUnit.METRE),
                AngleUnit.of(typed.getOrDefault("angle", "")).orElse(AngleUnit.DMS),
                typed.getOrDefault("bearings", "").equals(Units.Bearings.QUADRANT.key())
                        ? Units.Bearings.QUADRANT
                        : Units.Bearings.AZIMUTH,
                typed.getOrDefault("timeZone", "").strip());
        Form form = new Form(typed, units);
        if (!units.timeZone().isEmpty() && !Display.isZone(units.timeZone())) {
            form.fault("timeZone", units.timeZone() + ": expected a time zone such as Europe/Vienna, or nothing");
        }
        String name = form.text("name");
        if (name.isEmpty() || name.length() > JobNamed.LONGEST) {
            form.fault("name", "Expected a name of the job, at most %d characters".formatted(JobNamed.LONGEST));
        }
        ClassOfWork work = classOfWork(form);
        OptionalDouble within = form.length("within", 0, 1e6, "a distance, 0 or more");
        if (!form.isSound()) {
            Map<String, String> kept = TypedAgain.ticked(typed, "mark", mark == null ? List.of() : mark);
            kept = TypedAgain.ticked(kept, "member", member == null ? List.of() : member);
            return form(model, who, kept, form.faults());
        }
        Job job = Job.opened(name, form.text("place"), units, work, typed.containsKey("planOnly"), Earth.USUAL);
        if (!form.isEmpty("from")) {
            job = taken(job, fieldBook.book(form.text("from"), who.getName()).job(), typed, mark, within);
        }
        String id = fieldBook.open(form.text("key"), job, who.getName(), members(who, member));
        return "redirect:/job/" + id + "/equipment?first";
    }

    private Job taken(Job opened, Job earlier, Map<String, String> typed, List<String> marks, OptionalDouble within) {
        Set<String> parts = FromEarlier.parts(earlier).stream()
                .map(FromEarlier.Part::key)
                .filter(key -> typed.containsKey("take-" + key))
                .collect(Collectors.toSet());
        Set<String> named = marks == null ? Set.of() : Set.copyOf(marks);
        Predicate<Mark> wanted = within.isPresent()
                ? FromEarlier.within(earlier, typed.getOrDefault("around", ""), within.getAsDouble())
                : m -> named.contains(m.name());
        return FromEarlier.taken(
                opened,
                earlier,
                parts,
                wanted,
                i -> i.serial().isEmpty() ? i : i.known(i.serial(), instruments.lastShown(i.serial())));
    }

    private static ClassOfWork classOfWork(Form form) {
        ClassOfWork.Preset preset = java.util.Arrays.stream(ClassOfWork.Preset.values())
                .filter(p -> p.key().equals(form.text("classOfWork")))
                .findFirst()
                .orElse(ClassOfWork.Preset.ENGINEERING);
        Map<Limit, Double> overrides = new java.util.EnumMap<>(Limit.class);
        for (Limit limit : Limit.values()) {
            form.number("limit-" + limit.key(), 1e-6, 1e6, "a limit above 0")
                    .ifPresent(v -> overrides.put(limit, v * LimitRows.unit(limit)));
        }
        return new ClassOfWork(preset, overrides);
    }

    private Set<String> members(Principal who, List<String> chosen) {
        Set<String> members = new LinkedHashSet<>(Set.of(who.getName()));
        if (chosen != null) {
            people.all().stream()
                    .map(p -> p.signInName())
                    .filter(chosen::contains)
                    .forEach(members::add);
        }
        return members;
    }

    @PostMapping("/job/import")
    String bringIn(@RequestParam MultipartFile file, @RequestParam String key, Model model, Principal who)
            throws Exception {
        try {
            return "redirect:/job/" + heavy.inTurn(who.getName(), () -> brought(file.getBytes(), key, who));
        } catch (FaultyFile faulty) {
            model.addAttribute("fileName", file.getOriginalFilename());
            model.addAttribute("fileFaults", faulty.faults());
            list.fill(model, who);
            return "job/list";
        }
    }

    /** What was decided elsewhere is stated here: a file signs nothing off. */
    private String brought(byte[] file, String key, Principal who) throws FaultyFile {
        Job job = LandXmlReader.isXml(file) ? LandXmlReader.job(file).job() : JobFile.read(file);
        return fieldBook.open(key, job.stated(people.shownName(who.getName())), who.getName(), Set.of(who.getName()));
    }

    @GetMapping("/job/{id}")
    String overview(@PathVariable String id, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        JobPage.frame(model, book, WorkStep.JOB);
        model.addAttribute("findings", book.result().findings());
        model.addAttribute("newer", Words.names(register.newer(book)));
        model.addAttribute("limits", LimitRows.inForce(book.job().classOfWork()));
        model.addAttribute("revision", book.revision());
        model.addAttribute("comesAlong", comesAlong(book.revision(), fieldBook.bytes(id)));
        model.addAttribute(
                "next",
                WorkProgress.through(book).acts().stream()
                        .filter(a -> a.state() == WorkProgress.State.TROUBLE || a.state() == WorkProgress.State.NEXT)
                        .findFirst()
                        .orElse(null));
        return "job/overview";
    }

    /** What a device takes along. */
    private static String comesAlong(long entries, long bytes) {
        return Sentence.count(entries, "entry", "entries") + ", " + Math.max(1, bytes / 1000) + " kB";
    }
}
