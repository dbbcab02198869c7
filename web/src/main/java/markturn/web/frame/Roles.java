package markturn.web.frame;

import jakarta.servlet.http.HttpServletRequest;
import markturn.web.people.People;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What a person may do, as pages ask it: nobody is shown a form that would be refused. {@code Security} decides, {@link AllowedActs} leaves out what it would refuse; this is for links and words. */
@ControllerAdvice
class Roles {
    @ModelAttribute("reviewer")
    boolean reviewer(HttpServletRequest request) {
        return request.isUserInRole(People.REVIEWER);
    }

    @ModelAttribute("administrator")
    boolean administrator(HttpServletRequest request) {
        return request.isUserInRole(People.ADMINISTRATOR);
    }

    @ModelAttribute("surveyor")
    boolean surveyor(HttpServletRequest request) {
        return request.isUserInRole(People.SURVEYOR);
    }

    /** What is left out of the pages of a job for want of a role; empty where nothing is. */
    @ModelAttribute("leftOut")
    String leftOut(HttpServletRequest request) {
        if (surveyor(request)) {
            return "";
        }
        return reviewer(request)
                ? "You look at this job as a reviewer: what only a surveyor books or notes anew is left out."
                : "You look at this job as a reader: nothing can be booked or decided here.";
    }
}
