package markturn.web.people;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import markturn.survey.angle.AngleUnit;
import markturn.survey.job.LengthUnit;
import markturn.survey.job.PlainText;
import markturn.survey.job.Units;
import markturn.survey.show.Display;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The people of the office: an administrator opens accounts, gives roles, closes and opens them again. Each of it stands in the record. */
@Controller
class PeopleController {
    private static final String HERE = "redirect:/office/people";
    private static final Pattern NAME = Pattern.compile("[a-z][a-z0-9._-]{1,59}");
    private static final int LONGEST_NAME = 120;

    private final People people;
    private final Invitations invitations;
    private final OfficeRecord record;
    private final Sessions sessions;
    private final RunningCopies copies;

    PeopleController(
            People people, Invitations invitations, OfficeRecord record, Sessions sessions, RunningCopies copies) {
        this.copies = copies;
        this.people = people;
        this.invitations = invitations;
        this.record = record;
        this.sessions = sessions;
    }

    @GetMapping("/office/people")
    String page(Model model, Principal who) {
        model.addAttribute(
                "people",
                people.all().stream()
                        .sorted(Comparator.comparing(Person::shownName))
                        .toList());
        model.addAttribute("invited", invitations.standing());
        model.addAttribute("record", record.latest());
        model.addAttribute("self", who.getName());
        model.addAttribute("copies", copies.shown());
        model.addAttribute("show", new Display(new Units(LengthUnit.METRE, AngleUnit.DMS)));
        return "people/office";
    }

    /** Opens an account; its link is shown once. */
    @PostMapping("/office/people")
    String open(
            @RequestParam String signInName,
            @RequestParam String shownName,
            @RequestParam(required = false) boolean surveyor,
            @RequestParam(required = false) boolean reviewer,
            @RequestParam(required = false) boolean administrator,
            @RequestParam Map<String, String> typed,
            HttpServletRequest request,
            RedirectAttributes then,
            Principal who) {
        String name = signInName.strip();
        String shown = PlainText.cleaned(shownName).strip();
        Optional<String> fault = !NAME.matcher(name).matches()
                ? Optional.of("\"" + name
                        + "\" is no sign-in name: expected 2 to 60 small letters, digits, dots, - or _, a letter first")
                : people.find(name).isPresent()
                        ? Optional.of(name + " is taken: expected a sign-in name that nobody has, or had")
                        : shown.isEmpty() || shown.length() > LONGEST_NAME
                                ? Optional.of("Expected the name that is shown, at most " + LONGEST_NAME + " signs")
                                : Optional.empty();
        Person.Roles roles = new Person.Roles(surveyor, reviewer, administrator);
        if (fault.isPresent()) {
            then.addFlashAttribute("fault", fault.get());
            then.addFlashAttribute("typed", new TreeMap<>(typed));
            return HERE;
        }
        people.openWithoutPassword(name, shown, roles);
        record.note(who.getName(), "opened the account " + name + ", " + words(roles));
        return link(name, request, then);
    }

    /** A new link, for whoever forgot the password or let the first one lapse. */
    @PostMapping("/office/people/{name}/link")
    String link(@PathVariable String name, HttpServletRequest request, RedirectAttributes then, Principal who) {
        if (people.find(name).isPresent()) {
            record.note(who.getName(), "made a new link for " + name);
            return link(name, request, then);
        }
        return HERE;
    }

    private String link(String name, HttpServletRequest request, RedirectAttributes then) {
        String host = request.getRequestURL().toString().replaceFirst("^(https?://[^/]+)/.*$", "$1");
        then.addFlashAttribute("link", host + "/welcome/" + invitations.invite(name));
        then.addFlashAttribute("linkFor", name);
        return HERE;
    }

    @PostMapping("/office/people/{name}/roles")
    String roles(
            @PathVariable String name,
            @RequestParam(required = false) boolean surveyor,
            @RequestParam(required = false) boolean reviewer,
            @RequestParam(required = false) boolean administrator,
            RedirectAttributes then,
            Principal who) {
        if (name.equals(who.getName()) && !administrator) {
            then.addFlashAttribute(
                    "fault", "You would lock yourself out: another administrator takes that role from you");
            return HERE;
        }
        Person.Roles roles = new Person.Roles(surveyor, reviewer, administrator);
        if (people.setRoles(name, roles)) {
            record.note(who.getName(), "made " + name + " " + words(roles));
        }
        return HERE;
    }

    /** Nobody can sign in to it any more, and who is signed in is out; what it booked stays its own. */
    @PostMapping("/office/people/{name}/disable")
    String disable(@PathVariable String name, RedirectAttributes then, Principal who) {
        if (name.equals(who.getName())) {
            then.addFlashAttribute("fault", "You would lock yourself out: another administrator disables your account");
            return HERE;
        }
        if (people.setDisabled(name, true)) {
            sessions.endOthers(name, "");
            record.note(who.getName(), "disabled the account " + name);
        }
        return HERE;
    }

    @PostMapping("/office/people/{name}/enable")
    String enable(@PathVariable String name, Principal who) {
        if (people.setDisabled(name, false)) {
            record.note(who.getName(), "enabled the account " + name);
        }
        return HERE;
    }

    private static String words(Person.Roles roles) {
        String words = String.join(
                ", ",
                java.util.stream.Stream.of(
                                roles.surveyor() ? "surveyor" : "",
                                roles.reviewer() ? "reviewer" : "",
                                roles.administrator() ? "administrator" : "")
                        .filter(word -> !word.isEmpty())
                        .toList());
        return words.isEmpty() ? "reader" : words;
    }
}
