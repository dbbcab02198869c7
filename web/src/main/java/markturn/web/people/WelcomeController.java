package markturn.web.people;

import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Where a link that was handed over leads: a password is chosen, once. */
@Controller
class WelcomeController {
    private final Invitations invitations;
    private final OfficeRecord record;

    WelcomeController(Invitations invitations, OfficeRecord record) {
        this.invitations = invitations;
        this.record = record;
    }

    @GetMapping("/welcome/{token}")
    String page(@PathVariable String token, Model model) {
        model.addAttribute("token", token);
        model.addAttribute("name", invitations.invited(token).orElse(""));
        return "people/welcome";
    }

    @PostMapping("/welcome/{token}")
    String choose(@PathVariable String token, @RequestParam String password, @RequestParam String again, Model model) {
        Optional<String> name = invitations.invited(token);
        Optional<String> fault = name.flatMap(of -> Passwords.fault(password, of))
                .or(() -> password.equals(again)
                        ? Optional.empty()
                        : Optional.of("The second one differs from the first: type it again"));
        if (name.isEmpty() || fault.isPresent()) {
            model.addAttribute("token", token);
            model.addAttribute("name", name.orElse(""));
            model.addAttribute("fault", fault.orElse(""));
            return "people/welcome";
        }
        invitations.accept(token, password);
        record.note(name.get(), "chose a password by a link");
        return "redirect:/sign-in?welcome";
    }
}
