package markturn.web.detail;

import java.security.Principal;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.CodeDescribed;
import markturn.fieldbook.Entry;
import markturn.fieldbook.Refused;
import markturn.survey.job.Code;
import markturn.survey.job.Mark;
import markturn.survey.show.Signs;
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

/** The code list of a job. */
@Controller
class CodeController {
    private static final double HIGHEST_NUMBER = 999_999_999;

    private final FieldBook fieldBook;

    CodeController(FieldBook fieldBook) {
        this.fieldBook = fieldBook;
    }

    /** A code as the list shows it. */
    public record Row(Code code, String path, String dashes, long points, String next) {
        /** Its sign and, where its points make a line, the stroke of that, in words. */
        public String drawn() {
            String sign = code.sign().name().toLowerCase(Locale.ROOT);
            return code.line() ? sign + ", " + code.stroke().name().toLowerCase(Locale.ROOT) + " line" : sign;
        }

        /** Which numbers its points get, in words. */
        public String numbers() {
            return code.numbers().map(n -> n.first() + " to " + n.last()).orElse("behind the code");
        }
    }

    /** A sign or a stroke to choose. */
    public record Look(String key, String drawn) {}

    @GetMapping("/job/{id}/code")
    String list(@PathVariable String id, @RequestParam Map<String, String> asked, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        return page(book, typed(book, asked.getOrDefault("code", "")), Map.of(), model);
    }

    private static Map<String, String> typed(BookedJob book, String name) {
        Map<String, String> typed =
                new java.util.HashMap<>(Map.of("revision", "" + book.revision(), "sign", "dot", "stroke", "solid"));
        book.job().codes().stream().filter(c -> c.name().equals(name)).forEach(code -> {
            typed.put("name", code.name());
            typed.put("words", code.words());
            code.numbers().ifPresent(n -> {
                typed.put("first", "" + n.first());
                typed.put("last", "" + n.last());
            });
            code.targetHeight()
                    .ifPresent(h -> typed.put(
                            "height",
                            new markturn.survey.show.Display(book.job().units()).length(h)));
            typed.put("sign", key(code.sign()));
            typed.put("stroke", key(code.stroke()));
            if (code.line()) {
                typed.put("line", "on");
            }
        });
        return typed;
    }

    private static String key(Enum<?> look) {
        return look.name().toLowerCase(java.util.Locale.ROOT);
    }

    private static String page(BookedJob book, Map<String, String> typed, Map<String, String> faults, Model model) {
        JobPage.frame(model, book, WorkStep.DETAIL);
        model.addAttribute(
                "rows", book.job().codes().stream().map(code -> row(book, code)).toList());
        model.addAttribute(
                "signs",
                java.util.Arrays.stream(Code.Sign.values())
                        .map(s -> new Look(key(s), Signs.path(s)))
                        .toList());
        model.addAttribute(
                "strokes",
                java.util.Arrays.stream(Code.Stroke.values())
                        .map(s -> new Look(key(s), Signs.dashes(s)))
                        .toList());
        model.addAttribute("typed", typed);
        model.addAttribute("faults", faults);
        return "detail/codes";
    }

    private static Row row(BookedJob book, Code code) {
        List<Mark> marks = book.job().marks();
        return new Row(
                code,
                Signs.path(code.sign()),
                Signs.dashes(code.stroke()),
                marks.stream().filter(m -> m.code().equals(code.name())).count(),
                code.nextFree(book.job()).orElse("used up"));
    }

    @PostMapping("/job/{id}/code")
    String describe(@PathVariable String id, @RequestParam Map<String, String> typed, Model model, Principal who) {
        BookedJob book = fieldBook.book(id, who.getName());
        Form form = new Form(typed, book.job().units());
        Code code = read(form);
        Optional<Entry> meanwhile = book.lastSince(
                form.text("revision"),
                form.text("key"),
                p -> p instanceof CodeDescribed theirs && theirs.code().name().equals(code.name()));
        if (meanwhile.isPresent()) {
            form.fault(
                    "name",
                    "%s was described by %s while this page was open. Nothing of yours was booked: look at it in the list, then send it again if it is to be as you say"
                            .formatted(code.name(), meanwhile.get().by()));
            typed = new java.util.HashMap<>(typed);
            typed.put("revision", "" + book.revision());
        }
        if (form.isSound()) {
            try {
                fieldBook.add(id, form.text("key"), who.getName(), new CodeDescribed(code));
                return "redirect:/job/" + id + "/code";
            } catch (Refused refused) {
                form.refused(refused);
            }
        }
        return page(book, typed, form.faults(), model);
    }

    private static Code read(Form form) {
        OptionalDouble first = form.number("first", 1, HIGHEST_NUMBER, "a number from 1");
        OptionalDouble last = form.number("last", 1, HIGHEST_NUMBER, "a number from 1");
        Optional<Code.Numbers> numbers = Optional.empty();
        if (first.isPresent() != last.isPresent()) {
            form.fault(first.isPresent() ? "last" : "first", "Empty: a range has a first and a last number");
        } else if (first.isPresent()) {
            if (last.getAsDouble() < first.getAsDouble()) {
                form.fault("last", "%s: expected a number that is not below the first".formatted(form.text("last")));
            }
            numbers = Optional.of(new Code.Numbers((int) first.getAsDouble(), (int) last.getAsDouble()));
        }
        return new Code(
                form.name("name", "the code, such as WALL"),
                form.text("words"),
                numbers,
                form.length("height", 0.001, 100, "the usual height of the pole"),
                !form.isEmpty("line"),
                chosen(Code.Sign.values(), form.text("sign")),
                chosen(Code.Stroke.values(), form.text("stroke")));
    }

    private static <E extends Enum<E>> E chosen(E[] all, String key) {
        for (E one : all) {
            if (key(one).equals(key)) {
                return one;
            }
        }
        return all[0];
    }
}
