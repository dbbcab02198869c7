package markturn.web.people;

import jakarta.servlet.http.HttpSession;
import java.security.Principal;
import java.util.Optional;
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

/** One's own account: the name that is shown, the password, and where one is signed in. */
@Controller
class AccountController {
    private static final String HERE = "redirect:/account";
    private static final int LONGEST_NAME = 120;

    private final People people;
    private final Sessions sessions;

    AccountController(People people, Sessions sessions) {
        this.people = people;
        this.sessions = sessions;
    }

    @GetMapping("/account")
    String page(Model model, HttpSession session, Principal who) {
        model.addAttribute("person", people.find(who.getName()).orElseThrow());
        model.addAttribute("sessions", sessions.shown(who.getName(), session.getId()));
        model.addAttribute("show", new Display(new Units(LengthUnit.METRE, AngleUnit.DMS)));
        return "people/account";
    }

    @PostMapping("/account/name")
    String name(@RequestParam String shownName, RedirectAttributes then, Principal who) {
        String shown = PlainText.cleaned(shownName).strip();
        if (shown.isEmpty() || shown.length() > LONGEST_NAME) {
            then.addFlashAttribute("nameFault", "Expected the name that is shown, at most " + LONGEST_NAME + " signs");
        } else {
            people.setShownName(who.getName(), shown);
            then.addFlashAttribute(
                    "said", "You are shown as " + shown + " from now on; what you booked before keeps its name");
        }
        return HERE;
    }

    /** Whoever changes it is the one who knew it; wherever else the account is signed in, it is out. */
    @PostMapping("/account/password")
    String password(
            @RequestParam String old,
            @RequestParam String password,
            @RequestParam String again,
            HttpSession session,
            RedirectAttributes then,
            Principal who) {
        Optional<String> fault = !people.knows(who.getName(), old)
                ? Optional.of("That is not the present password")
                : Passwords.fault(password, who.getName())
                        .or(() -> password.equals(again)
                                ? Optional.empty()
                                : Optional.of("The second one differs from the first: type it again"));
        if (fault.isPresent()) {
            then.addFlashAttribute("passwordFault", fault.get());
            return HERE;
        }
        people.setPassword(who.getName(), password);
        sessions.endOthers(who.getName(), session.getId());
        then.addFlashAttribute("said", "The password is changed; wherever else you were signed in, you are out");
        return HERE;
    }

    @PostMapping("/account/session/{name}/end")
    String end(@PathVariable String name, Principal who) {
        sessions.end(who.getName(), name);
        return HERE;
    }
}
