package markturn.web.frame;

import markturn.web.fieldbook.NoSuchJob;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.multipart.MaxUploadSizeExceededException;

/** What went wrong, in a sentence, on a page of the house. */
@ControllerAdvice
class Errors {
    @ExceptionHandler({NoSuchJob.class, NotHere.class})
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String notHere(Model model) {
        model.addAttribute("theme", "day");
        model.addAttribute(
                "sentence",
                "There is nothing here for you. The address may be mistyped, or the job belongs to others.");
        return "frame/sentence";
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
    String tooLarge(Model model) {
        model.addAttribute("theme", "day");
        model.addAttribute(
                "sentence", "The file is larger than 64 MB, the largest that is read. Nothing was imported.");
        return "frame/sentence";
    }
}
