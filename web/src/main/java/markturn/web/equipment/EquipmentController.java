package markturn.web.equipment;

import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.EntryPayload;
import markturn.fieldbook.InstrumentAdded;
import markturn.fieldbook.ReflectorAdded;
import markturn.fieldbook.Refused;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.job.Notch;
import markturn.survey.job.Reflector;
import markturn.tripod.typed.Form;
import markturn.tripod.way.WorkStep;
import markturn.web.fieldbook.FieldBook;
import markturn.web.frame.JobPage;
import markturn.web.instrument.InstrumentMemory;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

@Controller
class EquipmentController {
    private static final double MILLIMETRE = 0.001;

    /** A field of a form: its name, and what stands above it. */
    public record Field(String name, String label) {}

    /** Usual wavelengths by the kind of distance meter, micrometres. Common practice, no source. */
    private static final Map<String, String> WAVELENGTHS = new TreeMap<>(Map.of(
            "0.633", "red gas laser",
            "0.658", "visible red laser, with and without reflector",
            "0.785", "near infrared laser",
            "0.850", "infrared, to reflectors only",
            "0.905", "infrared pulses, long range"));

    private static final List<Field> REFLECTOR_FIELDS = List.of(
            new Field("reflectorName", "Name"),
            new Field("constant", "Constant, mm"),
            new Field("reflectorCentring", "Centring, mm"),
            new Field("reflectorHeight", "Standard deviation of its height, mm"),
            new Field("belowAntenna", "Combined pole: so far below the antenna, mm"));

    private static List<Field> instrumentFields(String small) {
        return List.of(
                new Field("name", "Name"),
                new Field("serial", "Serial number"),
                new Field("directionStdDev", "Standard deviation of a direction, one set (ISO 17123-3), " + small),
                new Field("zenithStdDev", "Standard deviation of a zenith angle, one set, " + small),
                new Field("distanceStdDev", "Standard deviation of a distance, mm"),
                new Field("distancePpm", "and ppm of the distance"),
                new Field("centringStdDev", "Standard deviation of centring, mm"),
                new Field("heightStdDev", "Standard deviation of a taped height, mm"),
                new Field("wavelength", "Wavelength of the distance meter, micrometres"),
                new Field("referenceTemperature", "Reference, degrees C (15)"),
                new Field("referencePressure", "Reference, hPa (1013.25)"),
                new Field("notchRadius", "Notch: radius, mm"),
                new Field("notchBelow", "Notch: below axis, mm"));
    }

    private final FieldBook fieldBook;
    private final InstrumentMemory memory;

    EquipmentController(FieldBook fieldBook, InstrumentMemory memory) {
        this.memory = memory;
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/equipment")
    String list(@PathVariable String id, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), model, Map.of(), Map.of());
    }

    private String page(BookedJob book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, WorkStep.JOB);
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        String small = book.job().units().angle() == AngleUnit.GON ? "milligon" : "seconds";
        model.addAttribute("instrumentFields", instrumentFields(small));
        model.addAttribute("reflectorFields", REFLECTOR_FIELDS);
        model.addAttribute("wavelengths", WAVELENGTHS);
        model.addAttribute("office", memory.all());
        model.addAttribute("told", memory.told(book.job(), LocalDate.now()));
        return "equipment/list";
    }

    @PostMapping("/job/{id}/equipment/instrument")
    String instrument(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        double small = book.job().units().angle().small();
        Instrument instrument = new Instrument(
                form.name("name", "a name for the instrument"),
                form.required("directionStdDev", 0.01, 1000, "the standard deviation of a direction, above 0") * small,
                form.required("zenithStdDev", 0.01, 1000, "the standard deviation of a zenith angle, above 0") * small,
                form.required("distanceStdDev", 0, 1000, "millimetres, 0 or more") * MILLIMETRE,
                form.required("distancePpm", 0, 1000, "parts per million, 0 or more"),
                millimetres(form, "centringStdDev"),
                millimetres(form, "heightStdDev"),
                form.number("wavelength", 0.3, 2, "micrometres, 0.3 to 2"),
                new Atmosphere(
                        form.number("referenceTemperature", -50, 60, "degrees Celsius")
                                .orElse(Atmosphere.USUAL_REFERENCE.temperature()),
                        form.number("referencePressure", 500, 1200, "hPa, 500 to 1200")
                                .orElse(Atmosphere.USUAL_REFERENCE.pressure()),
                        0),
                notch(form));
        String serial = serial(form);
        Instrument known = serial.isEmpty() ? instrument : instrument.known(serial, memory.lastShown(serial));
        return added(book, form, new InstrumentAdded(known), "name", model, who, typed);
    }

    @PostMapping("/job/{id}/equipment/reflector")
    String reflector(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        Reflector reflector = new Reflector(
                form.name("reflectorName", "a name for the reflector"),
                form.required("constant", -1000, 1000, "the constant in millimetres, 0 where it is known to be none")
                        * MILLIMETRE,
                millimetres(form, "reflectorCentring"),
                millimetres(form, "reflectorHeight"),
                notch(form),
                belowAntenna(form));
        if (reflector.isReflectorless()) {
            form.fault("reflectorName", "\"none\" stands for a sight without reflector: expected another name");
        }
        return added(book, form, new ReflectorAdded(reflector), "reflectorName", model, who, typed);
    }

    /** Of a combined pole: one height then serves antenna and reflector. */
    private static OptionalDouble belowAntenna(Form form) {
        OptionalDouble below = form.number("belowAntenna", 0, 2000, "millimetres below the antenna, 0 to 2000");
        return below.isPresent() ? OptionalDouble.of(below.getAsDouble() * MILLIMETRE) : below;
    }

    /** It stands in addresses, so that it is what plates bear. */
    private static String serial(Form form) {
        String serial = form.text("serial");
        if (!serial.matches("[\\p{L}\\p{N} ._-]{0,60}")) {
            form.fault(
                    "serial",
                    "Expected letters, digits, blanks, points and dashes as they stand on the plate, or nothing");
        }
        return serial;
    }

    /** Takes an instrument of the office into the job, with what its last setups showed. */
    @PostMapping("/job/{id}/equipment/office")
    String fromOffice(
            @PathVariable String id,
            @RequestParam String key,
            @RequestParam(defaultValue = "") String serial,
            Model model,
            Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(Map.of("key", key), book.job().units());
        Optional<Instrument> known = memory.forNewJob(serial);
        if (known.isEmpty()) {
            form.fault("office", "Expected one of the instruments of the office");
            return page(book, model, Map.of(), form.faults());
        }
        return added(book, form, new InstrumentAdded(known.get()), "office", model, who, Map.of("key", key));
    }

    /** What is left empty is no 0: every position would be claimed better than it is. */
    private static double millimetres(Form form, String field) {
        return form.required(field, 0, 1000, "millimetres, 0 only where it is known to add nothing") * MILLIMETRE;
    }

    private static Optional<Notch> notch(Form form) {
        OptionalDouble radius = form.number("notchRadius", 0, 1000, "millimetres, 0 or more");
        OptionalDouble below = form.number("notchBelow", -1000, 1000, "millimetres");
        if (radius.isPresent() != below.isPresent()) {
            form.fault(radius.isPresent() ? "notchBelow" : "notchRadius", "Radius and depth of the notch go together");
        }
        return radius.isPresent() && below.isPresent()
                ? Optional.of(new Notch(radius.getAsDouble() * MILLIMETRE, below.getAsDouble() * MILLIMETRE))
                : Optional.empty();
    }

    private String added(
            BookedJob book,
            Form form,
            EntryPayload payload,
            String nameField,
            Model model,
            Principal who,
            Map<String, String> typed) {
        if (form.isSound()) {
            try {
                fieldBook.add(book.jobId(), typed.get("key"), who.getName(), payload);
                return "redirect:/job/" + book.jobId() + "/equipment";
            } catch (Refused refused) {
                form.fault(nameField, refused.getMessage());
            }
        }
        return page(book, model, typed, form.faults());
    }
}
