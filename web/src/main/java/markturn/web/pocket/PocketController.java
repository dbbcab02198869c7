package markturn.web.pocket;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import markturn.fieldbook.BookedJob;
import markturn.fieldbook.wire.Tree;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.formats.JsonTrees;
import markturn.tripod.page.Page;
import markturn.web.act.Acts;
import markturn.web.device.Device;
import markturn.web.frame.AllowedActs;
import markturn.web.frame.JobPage;
import markturn.web.frame.NotHere;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.DefaultCsrfToken;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;

/** What a device takes along of a job: its entries and the bare pages of the acts; and where what it booked arrives. */
@Controller
class PocketController {
    private final Acts acts;
    private final Arrivals arrivals;
    private final TakenAlong takenAlong;
    private final Duration mayWork;

    /** @param days how long whoever has signed in may go on working on a device without a connection: the office sets it at the start */
    PocketController(
            Acts acts, Arrivals arrivals, TakenAlong takenAlong, @Value("${markturn.device-days:7}") int days) {
        this.acts = acts;
        this.arrivals = arrivals;
        this.takenAlong = takenAlong;
        this.mayWork = Duration.ofDays(days);
    }

    /** The jobs on this device: a page that is kept there, and drawn from what is kept there. */
    @GetMapping("/pocket")
    String jobs() {
        return "pocket/jobs";
    }

    /**
     * A job for a device: who takes it along, and its entries.
     *
     * @param after the last sequence that the device has; 0 for all
     */
    @GetMapping("/job/{id}/pocket/book")
    ResponseEntity<String> book(
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long after,
            CsrfToken token,
            HttpSession session,
            HttpServletResponse response,
            Principal who) {
        BookedJob book = acts.book(id, who);
        Device.rememberIfUnknown(response);
        takenAlong.heard(id, Device.name(), who.getName());
        Fields told = Told.of(book, after)
                .put("id", id)
                .put("name", book.job().name())
                .put("carrier", Told.carrier(acts.occasion(who), arrivals.booker(id, who.getName())))
                .put("workUntil", workUntil(session))
                .put("csrfHeader", token.getHeaderName())
                .put("csrf", token.getToken());
        return json(told);
    }

    /** What a device booked, in its order: answered line by line, with what the job became. */
    @PostMapping("/job/{id}/pocket/entries")
    ResponseEntity<String> arrive(
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long after,
            @RequestParam String carrier,
            @RequestBody String sent,
            HttpSession session,
            Principal who) {
        if (!carrier.equals(who.getName())) {
            // What one person booked is sent by that person's session only.
            return ResponseEntity.status(HttpStatus.CONFLICT).build();
        }
        Tree tree = JsonTrees.read(sent);
        List<Arrivals.Arrived> arrived = arrivals.take(id, tree, who.getName());
        Device.known().ifPresent(device -> takenAlong.heard(id, device, who.getName()));
        Fields answer = Told.of(acts.book(id, who), after).put("workUntil", workUntil(session));
        Tree.Items lines = answer.putItems("arrived");
        arrived.forEach(line -> lines.add(
                new Fields().put("key", line.key()).put("stored", line.stored()).put("reason", line.reason())));
        return json(answer);
    }

    /** The device holds nothing of the job any more. */
    @PostMapping("/job/{id}/pocket/let-go")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void letGo(@PathVariable String id, Principal who) {
        takenAlong.letGo(id, Device.name(), who.getName());
    }

    /** Counted from the sign-in. */
    private String workUntil(HttpSession session) {
        return Instant.ofEpochMilli(session.getCreationTime()).plus(mayWork).toString();
    }

    private static ResponseEntity<String> json(Tree tree) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(JsonTrees.line(tree));
    }

    /** A bare page of an act: everything but the setup it is about and its view, in whose places stand words for the device to replace. */
    @GetMapping("/job/{id}/pocket/page/{room}")
    String page(
            @PathVariable String id,
            @PathVariable String room,
            Model model,
            HttpServletRequest request,
            Principal who) {
        BookedJob book = acts.book(id, who);
        // A token of today would be refused after the next sign-in: the device fills in the one of its last exchange.
        CsrfToken later = new DefaultCsrfToken("X-CSRF-TOKEN", "_csrf", BarePages.CSRF);
        request.setAttribute(CsrfToken.class.getName(), later);
        request.setAttribute(later.getParameterName(), later);
        Page page = BarePages.of(room).orElseThrow(NotHere::new);
        JobPage.frame(model, book, page.step());
        model.addAttribute(AllowedActs.STANDS_AT, BarePages.standsAt(id, room));
        model.addAttribute("title", BarePages.TITLE);
        model.addAttribute("setup", BarePages.SETUP);
        model.addAttribute("here", BarePages.HERE);
        model.addAttribute("pageId", BarePages.PAGE);
        model.addAttribute("view", BarePages.VIEW);
        return page.name();
    }
}
