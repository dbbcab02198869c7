package markturn.web.frame;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What was typed where something was refused: it goes back to its page with the fault, so that nothing of it is lost. */
@ControllerAdvice
public class TypedAgain {
    /** What fields are filled with, by their names; a page that nothing was typed on has none. */
    @ModelAttribute("typed")
    Map<String, String> nothing() {
        return Map.of();
    }

    /**
     * Back to a page with {@code fault} and {@code typed}.
     *
     * @param page view name of the page, a redirect
     * @param typed fields by name; a tick of several under one name as {@link #ticked} writes it
     * @return the page
     */
    public static String on(String page, Map<String, String> typed, String fault, RedirectAttributes then) {
        then.addFlashAttribute("typed", new TreeMap<>(typed));
        then.addFlashAttribute("fault", fault);
        return page;
    }

    /** What was typed, with each tick of several under one name as a field of its own: {@code mark A}. */
    public static Map<String, String> ticked(Map<String, String> typed, String name, List<String> ticked) {
        Map<String, String> all = new TreeMap<>(typed);
        ticked.forEach(one -> all.put(name + " " + one, "on"));
        return all;
    }
}
