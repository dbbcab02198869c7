package markturn.web.frame;

import jakarta.persistence.PersistenceException;
import java.sql.SQLException;
import markturn.web.fieldbook.KeyTaken;
import markturn.web.fieldbook.NoSuchJob;
import markturn.web.fieldbook.Refused;
import org.apache.commons.logging.Log;
import org.apache.commons.logging.LogFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;

/** What went wrong, in a sentence, on a page of the house. */
@ControllerAdvice
class Errors {
    /** What is said wherever the database does not answer. */
    static final String DATABASE_GONE =
            "The database does not answer just now: nothing of this was stored. What you typed stays; try again in a moment.";

    private static final Log LOG = LogFactory.getLog(Errors.class);

    @ExceptionHandler({NoSuchJob.class, NotHere.class})
    @ResponseStatus(HttpStatus.NOT_FOUND)
    String notHere(Model model) {
        model.addAttribute("theme", "day");
        model.addAttribute(
                "sentence",
                "There is nothing here for you. The address may be mistyped, or the job belongs to others.");
        return "frame/sentence";
    }

    /**
     * The database did not answer: nothing of this request is stored. Left to the framework, a connection that broke in the middle of a
     * transaction is taken for a client that went away, and answered 200 with nothing.
     */
    @ExceptionHandler({
        TransactionException.class,
        DataAccessException.class,
        PersistenceException.class,
        SQLException.class
    })
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    String databaseGone(Exception fault, Model model) {
        LOG.error("The database did not answer: nothing of this request is stored", fault);
        model.addAttribute("theme", "day");
        model.addAttribute("sentence", DATABASE_GONE);
        return "frame/sentence";
    }

    @ExceptionHandler(KeyTaken.class)
    @ResponseStatus(HttpStatus.CONFLICT)
    String keyTaken(KeyTaken taken, Model model) {
        model.addAttribute("theme", "day");
        model.addAttribute("sentence", taken.getMessage());
        return "frame/sentence";
    }

    @ExceptionHandler(Refused.class)
    @ResponseStatus(HttpStatus.UNPROCESSABLE_CONTENT)
    String refused(Refused refused, Model model) {
        model.addAttribute("theme", "day");
        model.addAttribute("sentence", refused.getMessage() + ". Nothing was stored.");
        return "frame/sentence";
    }

    @ExceptionHandler(HeavyWork.Busy.class)
    @ResponseStatus(HttpStatus.TOO_MANY_REQUESTS)
    String busy(HeavyWork.Busy busy, Model model) {
        model.addAttribute("theme", "day");
        model.addAttribute("sentence", busy.getMessage());
        return "frame/sentence";
    }

    @ExceptionHandler(MultipartException.class)
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String noFile(Model model) {
        model.addAttribute("theme", "day");
        model.addAttribute("sentence", "No file came with this: choose one, then send it again. Nothing was imported.");
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
