package markturn.web.equipment;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.formats.Pieces;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.Atmosphere;
import markturn.survey.job.Instrument;
import markturn.survey.job.Notch;
import markturn.survey.job.Reflector;
import markturn.web.fieldbook.Book;
import markturn.web.fieldbook.EntryKind;
import markturn.web.fieldbook.FieldBook;
import markturn.web.fieldbook.Refused;
import markturn.web.frame.Form;
import markturn.web.frame.JobPage;
import markturn.web.frame.Payload;
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

    private static final List<Field> REFLECTOR_FIELDS = List.of(
            new Field("reflectorName", "Name"),
            new Field("constant", "Constant, mm"),
            new Field("reflectorCentring", "Centring, mm"),
            new Field("reflectorHeight", "Height, mm"));

    private static List<Field> instrumentFields(String small) {
        return List.of(
                new Field("name", "Name"),
                new Field("directionStdDev", "Direction in one set, " + small),
                new Field("zenithStdDev", "Zenith angle in one set, " + small),
                new Field("distanceStdDev", "Distance, mm"),
                new Field("distancePpm", "Distance, ppm"),
                new Field("centringStdDev", "Centring, mm"),
                new Field("heightStdDev", "Height taped, mm"),
                new Field("wavelength", "Wavelength, micrometres"),
                new Field("referenceTemperature", "Reference, degrees C (15)"),
                new Field("referencePressure", "Reference, hPa (1013.25)"),
                new Field("notchRadius", "Notch: radius, mm"),
                new Field("notchBelow", "Notch: below axis, mm"));
    }

    private final FieldBook fieldBook;

    EquipmentController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    @GetMapping("/job/{id}/equipment")
    String list(@PathVariable String id, Model model, Principal who) {
        return page(fieldBook.book(id, who.getName()), model, Map.of(), Map.of());
    }

    private static String page(Book book, Model model, Map<String, String> typed, Map<String, String> faults) {
        JobPage.frame(model, book, "Job");
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        String small = book.job().units().angle() == AngleUnit.GON ? "milligon" : "seconds";
        model.addAttribute("instrumentFields", instrumentFields(small));
        model.addAttribute("reflectorFields", REFLECTOR_FIELDS);
        model.addAttribute("key", typed.getOrDefault("key", Payload.key()));
        return "equipment/list";
    }

    @PostMapping("/job/{id}/equipment/instrument")
    String instrument(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
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
        return added(
                book, form, EntryKind.INSTRUMENT, new Pieces(book.job().units()).write(instrument), model, who, typed);
    }

    @PostMapping("/job/{id}/equipment/reflector")
    String reflector(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        Book book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        Reflector reflector = new Reflector(
                form.name("reflectorName", "a name for the reflector"),
                form.required("constant", -1000, 1000, "the constant in millimetres, 0 where it is known to be none")
                        * MILLIMETRE,
                millimetres(form, "reflectorCentring"),
                millimetres(form, "reflectorHeight"),
                notch(form));
        if (reflector.isReflectorless()) {
            form.fault("reflectorName", "\"none\" stands for a sight without reflector: expected another name");
        }
        return added(
                book, form, EntryKind.REFLECTOR, new Pieces(book.job().units()).write(reflector), model, who, typed);
    }

    private static double millimetres(Form form, String field) {
        return form.number(field, 0, 1000, "millimetres, 0 or more").orElse(0) * MILLIMETRE;
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
            Book book,
            Form form,
            EntryKind kind,
            tools.jackson.databind.JsonNode payload,
            Model model,
            Principal who,
            Map<String, String> typed) {
        if (form.isSound()) {
            try {
                fieldBook.add(book.jobId(), typed.get("key"), who.getName(), kind, payload);
                return "redirect:/job/" + book.jobId() + "/equipment";
            } catch (Refused refused) {
                form.fault(kind == EntryKind.REFLECTOR ? "reflectorName" : "name", refused.getMessage());
            }
        }
        return page(book, model, typed, form.faults());
    }
}
