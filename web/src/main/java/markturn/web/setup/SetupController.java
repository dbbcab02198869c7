package markturn.web.setup;

import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import markturn.formats.Pieces;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.job.Job;
import markturn.survey.job.Limit;
import markturn.survey.job.Mark;
import markturn.survey.job.MeasuredHeight;
import markturn.survey.job.Notch;
import markturn.survey.job.Reading;
import markturn.survey.job.Reflector;
import markturn.survey.job.Setup;
import markturn.survey.reduce.Heights;
import markturn.survey.turning.PointingOrder;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.EntryKind;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Refused;
import markturn.web.fieldbook.TurningOrder;
import markturn.web.fieldbook.TurningOrders;
import markturn.web.frame.Display;
import markturn.web.frame.Form;
import markturn.web.frame.JobPage;
import markturn.web.frame.Payload;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

@Controller
class SetupController {
    private static final int BACKSIGHTS = 3;
    private static final int FORESIGHTS = 4;

    private final FieldBook fieldBook;

    SetupController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/setup")
    String occupy(@PathVariable String id, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Map<String, String> typed = new HashMap<>();
        typed.put("key", Payload.key());
        typed.put("name", "S" + (book.job().setups().size() + 1));
        typed.put("sets", String.valueOf((int) book.job().classOfWork().limit(Limit.SETS)));
        return page(book, model, typed, Map.of());
    }

    private static String page(Book book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, "Occupy");
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        model.addAttribute("known", known(book));
        model.addAttribute("backsightRows", BACKSIGHTS);
        model.addAttribute("foresightRows", FORESIGHTS);
        model.addAttribute("setups", book.result().measured().setups());
        return "setup/occupy";
    }

    /** Marks that have a position: what can be occupied, or oriented on. */
    private static List<String> known(Book book) {
        return book.result().measured().marks().stream()
                .filter(m -> m.position().isPresent() && m.mark().kind() != Mark.Kind.LOCATED)
                .map(m -> m.name())
                .toList();
    }

    @PostMapping("/job/{id}/setup")
    String begin(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        List<Mark> newMarks = new ArrayList<>();
        List<TurningOrder.Aim> aims = aims(form, book, newMarks);
        Setup setup = read(form, book, aims);
        int sets = (int) form.required("sets", 1, PointingOrder.MOST_SETS, "a number of sets from 1 to 99");
        if (form.isSound()) {
            try {
                store(id, typed.get("key"), who, book, newMarks, setup, new TurningOrder(sets, aims));
                return "redirect:/job/" + id + "/turning/" + setup.name();
            } catch (Refused refused) {
                form.refused(refused);
            }
        }
        return page(book, model, typed, form.faults());
    }

    private void store(
            String id, String key, Principal who, Book book, List<Mark> newMarks, Setup setup, TurningOrder order) {
        Pieces pieces = new Pieces(book.job().units());
        for (Mark mark : newMarks) {
            fieldBook.add(id, key + "-m" + newMarks.indexOf(mark), who.getName(), EntryKind.MARK, pieces.write(mark));
        }
        fieldBook.add(id, key + "-s", who.getName(), EntryKind.SETUP, pieces.write(setup));
        fieldBook.add(
                id, key + "-o", who.getName(), EntryKind.ORDER, TurningOrders.payload(setup.name(), order, pieces));
    }

    private static Setup read(Form form, Book book, List<TurningOrder.Aim> aims) {
        Job job = book.job();
        String station = form.name("station", "the mark the instrument stands on");
        if (!station.isEmpty() && !known(book).contains(station)) {
            form.fault("station", station + " has no coordinates in this job: expected one of its known marks");
        }
        Optional<Instrument> instrument = job.instruments().stream()
                .filter(i -> i.name().equals(form.text("instrument")))
                .findFirst();
        if (instrument.isEmpty()) {
            form.fault("instrument", "Expected one of the instruments of this job");
        }
        Optional<MeasuredHeight> height = form.height("height", false, "the height of the instrument");
        if (height.isEmpty() && !job.planOnly()) {
            form.fault("height", "Empty: expected the height of the instrument");
        }
        height.ifPresent(h -> fits(form, "height", h, instrument.flatMap(Instrument::notch)));
        List<String> sights = aims.stream()
                .filter(a -> a.role() == Reading.Role.BACKSIGHT)
                .map(TurningOrder.Aim::target)
                .toList();
        if (sights.isEmpty()) {
            form.fault("back-0", "Empty: expected a backsight; without one nothing is oriented");
        }
        if (aims.stream().anyMatch(a -> a.target().equals(station))) {
            form.fault("station", "The instrument stands on " + station + ": sight another mark");
        }
        return new Setup(
                form.name("name", "a name for the setup"),
                station,
                Setup.Method.OCCUPIED,
                form.text("instrument"),
                height,
                tilt(form, job),
                atmosphere(form),
                new Setup.BySights(sights.isEmpty() ? List.of("") : sights),
                List.of());
    }

    /** A height taped to the notch needs the notch, and a tape longer than its radius. */
    private static void fits(Form form, String field, MeasuredHeight height, Optional<Notch> notch) {
        if (height.value() < 0) {
            form.fault(field, "Below 0: expected a height above the mark");
        }
        if (height.to() == MeasuredHeight.To.NOTCH) {
            if (notch.isEmpty()) {
                form.fault(
                        field,
                        "Its notch is not described in the equipment: measure to the axis, or describe the notch");
            } else if (height.value() <= notch.get().radius()) {
                form.fault(field, "Shorter than the notch's radius: expected the slope from mark to notch");
            }
        }
    }

    private static Optional<Setup.Tilt> tilt(Form form, Job job) {
        double small = job.units().angle().small();
        OptionalDouble along = form.number("tiltAlong", -3600, 3600, "a small angle");
        OptionalDouble across = form.number("tiltAcross", -3600, 3600, "a small angle");
        if (along.isPresent() != across.isPresent()) {
            form.fault(along.isPresent() ? "tiltAcross" : "tiltAlong", "Both axes of the level go together");
        }
        return along.isPresent() && across.isPresent()
                ? Optional.of(new Setup.Tilt(
                        along.getAsDouble() * small, across.getAsDouble() * small, !form.isEmpty("compensated")))
                : Optional.empty();
    }

    private static Optional<Atmosphere> atmosphere(Form form) {
        OptionalDouble temperature = form.number("temperature", -50, 60, "degrees Celsius, -50 to 60");
        OptionalDouble pressure = form.number("pressure", 500, 1200, "hPa, 500 to 1200");
        if (temperature.isPresent() != pressure.isPresent()) {
            form.fault(temperature.isPresent() ? "pressure" : "temperature", "Temperature and pressure go together");
        }
        return temperature.isPresent() && pressure.isPresent()
                ? Optional.of(new Atmosphere(temperature.getAsDouble(), pressure.getAsDouble(), 0))
                : Optional.empty();
    }

    private static List<TurningOrder.Aim> aims(Form form, Book book, List<Mark> newMarks) {
        List<TurningOrder.Aim> aims = new ArrayList<>();
        Set<String> names = new HashSet<>();
        List<String> known = known(book);
        for (int row = 0; row < BACKSIGHTS; row++) {
            String field = "back-" + row;
            if (!form.isEmpty(field)) {
                if (!known.contains(form.text(field))) {
                    form.fault(
                            field,
                            form.text(field) + " has no coordinates in this job: expected one of its known marks");
                }
                aim(form, book.job(), field, Reading.Role.BACKSIGHT, names).ifPresent(aims::add);
            }
        }
        for (int row = 0; row < FORESIGHTS; row++) {
            String field = "fore-" + row;
            if (!form.isEmpty(field)) {
                String name = form.name(field, "a name");
                // Known marks are sighted as checks: they test the setup and never move.
                boolean isKnown = book.job().mark(name).flatMap(Mark::given).isPresent();
                if (book.job().mark(name).isEmpty() && names.stream().noneMatch(name::equals)) {
                    newMarks.add(Mark.named(name, Mark.Kind.NEW));
                }
                aim(form, book.job(), field, isKnown ? Reading.Role.CHECK : Reading.Role.FORESIGHT, names)
                        .ifPresent(aims::add);
            }
        }
        return aims;
    }

    private static Optional<TurningOrder.Aim> aim(
            Form form, Job job, String field, Reading.Role role, Set<String> names) {
        String target = form.text(field);
        if (!names.add(target)) {
            form.fault(field, target + " is named twice");
            return Optional.empty();
        }
        String reflector =
                form.isEmpty(field + "-reflector") ? Reflector.REFLECTORLESS : form.text(field + "-reflector");
        boolean reflectorless = reflector.equals(Reflector.REFLECTORLESS);
        if (!reflectorless && job.reflectors().stream().noneMatch(r -> r.name().equals(reflector))) {
            form.fault(field + "-reflector", "Expected one of the reflectors of this job");
            return Optional.empty();
        }
        String heightField = field + "-height";
        Optional<MeasuredHeight> height = form.height(heightField, reflectorless, "the height of the target");
        if (height.isEmpty() && !job.planOnly()) {
            form.fault(heightField, "Empty: expected the height of the target over its mark");
        }
        return Optional.of(new TurningOrder.Aim(target, role, reflector, height));
    }

    /** Both values of a height: as taped and vertical. */
    @GetMapping("/job/{id}/setup/height")
    @ResponseBody
    Map<String, String> bothValues(
            @PathVariable String id,
            @RequestParam Map<String, String> typed,
            @RequestParam String instrument,
            Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        Optional<Notch> notch = book.job().instruments().stream()
                .filter(i -> i.name().equals(instrument))
                .findFirst()
                .flatMap(Instrument::notch);
        Optional<MeasuredHeight> height = form.height("height", false, "the height of the instrument");
        height.ifPresent(h -> fits(form, "height", h, notch));
        if (!form.isSound()) {
            return Map.of("fault", form.faults().get("height"));
        }
        if (height.isEmpty()) {
            return Map.of();
        }
        Display show = new Display(book.job().units());
        String vertical = show.length(Heights.vertical(height.get(), notch));
        return Map.of(
                "words",
                height.get().to() == MeasuredHeight.To.NOTCH
                        ? "taped " + show.length(height.get().value()) + " to the notch, " + vertical
                                + " vertical to the axis"
                        : vertical + " vertical to the axis");
    }
}
