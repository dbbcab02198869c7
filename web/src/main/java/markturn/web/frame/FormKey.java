package markturn.web.frame;

import java.util.UUID;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/**
 * The key of one posting of one form: made here and nowhere else, so that the same posting sent twice is one entry. Every template has it
 * as {@code keys}.
 */
@ControllerAdvice
public final class FormKey {
    @ModelAttribute("keys")
    FormKey keys() {
        return this;
    }

    /** A key that nobody has. */
    public String fresh() {
        return UUID.randomUUID().toString();
    }
}
