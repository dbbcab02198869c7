package markturn.web.act;

import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.Map;
import java.util.Optional;
import markturn.fieldbook.BookedJob;
import markturn.tripod.Pages;
import markturn.tripod.page.Page;
import markturn.tripod.typed.Occasion;
import markturn.tripod.view.Address;
import markturn.tripod.view.Shown;
import markturn.web.device.Device;
import markturn.web.fieldbook.Turn;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * Every page of the acts at the instrument: {@link Pages} says which there are, what they show and what becomes of what is typed; here it
 * is served, stored and answered. A page is about a job, or about one setup of it, which its address names.
 */
@Controller
class PageController {
    private static final String OF_JOB = "/job/{id}/{room:mark|setup|setout|review|plan|detail}";
    /** The rooms whose second name in an address is no setup. */
    private static final String ASKED = "/job/{id}/{room:mark|setup|setout|plan}/{question}";

    private static final String DONE = "/job/{id}/{room:mark|setup|setout|review}/{act}";
    private static final String OF_SETUP = "/job/{id}/{room:turning|detail|review}/{setup}";
    private static final String VIEW = "view";

    private final Acts acts;

    PageController(Acts acts) {
        this.acts = acts;
    }

    @GetMapping(OF_JOB)
    String job(
            @PathVariable String id,
            @PathVariable String room,
            @RequestParam Map<String, String> asked,
            Model model,
            HttpServletResponse response,
            Principal who) {
        Optional<String> instead = Pages.instead(acts.book(id, who), room);
        return instead.isPresent() ? "redirect:" + instead.get() : setup(id, room, "", asked, model, response, who);
    }

    @GetMapping(OF_SETUP)
    String setup(
            @PathVariable String id,
            @PathVariable String room,
            @PathVariable String setup,
            @RequestParam Map<String, String> asked,
            Model model,
            HttpServletResponse response,
            Principal who) {
        BookedJob book = acts.book(id, who);
        Page page = page(book, room, setup);
        Device.rememberIfUnknown(response);
        JobPage.frame(model, book, page.step());
        model.addAttribute("title", page.title());
        model.addAttribute("setup", setup);
        model.addAttribute("here", Address.ofJob(id).room(room, setup));
        acts.first(model, page.view(book, acts.occasion(who), asked));
        return page.name();
    }

    /** What a page says to a question; asked for its view, what it draws anew. */
    @GetMapping(ASKED)
    ResponseEntity<Object> ask(
            @PathVariable String id,
            @PathVariable String room,
            @PathVariable String question,
            @RequestParam Map<String, String> asked,
            Principal who) {
        return askOfSetup(id, room, "", question, asked, who);
    }

    @GetMapping(OF_SETUP + "/{question}")
    ResponseEntity<Object> askOfSetup(
            @PathVariable String id,
            @PathVariable String room,
            @PathVariable String setup,
            @PathVariable String question,
            @RequestParam Map<String, String> asked,
            Principal who) {
        BookedJob book = acts.book(id, who);
        Page page = page(book, room, setup);
        Occasion occasion = acts.occasion(who);
        if (question.equals(VIEW)) {
            return acts.changed(asked, page.view(book, occasion, asked));
        }
        Shown answer = page.answer(book, occasion, question, asked).orElseThrow(NotHere::new);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(answer.sheet().json());
    }

    /** An act. Who asks {@code Prefer: return=minimal} (RFC 7240) hears only that it is stored. */
    @PostMapping(DONE)
    ResponseEntity<Object> act(
            @PathVariable String id,
            @PathVariable String room,
            @PathVariable String act,
            @RequestParam Map<String, String> typed,
            @RequestHeader(name = "Prefer", defaultValue = "") String prefer,
            Principal who) {
        return actAtSetup(id, room, "", act, typed, prefer, who);
    }

    @PostMapping(OF_SETUP + "/{act}")
    ResponseEntity<Object> actAtSetup(
            @PathVariable String id,
            @PathVariable String room,
            @PathVariable String setup,
            @PathVariable String act,
            @RequestParam Map<String, String> typed,
            @RequestHeader(name = "Prefer", defaultValue = "") String prefer,
            Principal who) {
        return Turn.taken(() -> done(id, room, setup, act, typed, prefer, who));
    }

    private ResponseEntity<Object> done(
            String id, String room, String setup, String act, Map<String, String> typed, String prefer, Principal who) {
        BookedJob before = acts.book(id, who);
        String unnamed = page(before, room, setup).unnamed(act);
        return acts.store(
                        id,
                        typed,
                        who,
                        unnamed,
                        (book, occasion) -> page(book, room, setup).act(book, occasion, act, typed))
                .answer(longer -> prefer.contains("return=minimal")
                        ? ResponseEntity.noContent().build()
                        : acts.changed(
                                typed,
                                page(longer, room, setup).after(before, longer, acts.occasion(who), act, typed)));
    }

    private static Page page(BookedJob book, String room, String setup) {
        return Pages.at(book, room, setup).orElseThrow(NotHere::new);
    }
}
