package markturn.web.people;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

@Controller
class SignInController {
    @GetMapping("/sign-in")
    String signIn() {
        return "people/sign-in";
    }
}
