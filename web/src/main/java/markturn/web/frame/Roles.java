package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import markturn.web.people.People;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What a person may do, as pages ask it: nobody is shown a form that would be refused. {@code Security} decides; this only hides. */
@ControllerAdvice
class Roles {
    @ModelAttribute("reviewer")
    boolean reviewer(HttpServletRequest request) {
        return request.isUserInRole(People.REVIEWER);
    }

    @ModelAttribute("surveyor")
    boolean surveyor(HttpServletRequest request) {
        return request.isUserInRole(People.SURVEYOR);
    }
}
