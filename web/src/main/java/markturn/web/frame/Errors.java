package markturn.web.frame;

import jakarta.persistence.PersistenceException;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.Map;
import java.util.Set;
import markturn.fieldbook.KeyTaken;
import markturn.fieldbook.NotAllowed;
import markturn.fieldbook.Refused;
import markturn.fieldbook.wire.Tree.Fields;
import markturn.formats.JsonTrees;
import markturn.formats.Version;
import markturn.web.fieldbook.NoSuchJob;
import markturn.web.fieldbook.TooLong;
import org.apache.commons.logging.Log;
import org.apache.commons.logging.LogFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.ModelAndView;

/** What went wrong, in a sentence: on a page of the house, or for the page that a script posts from. */
@ControllerAdvice
class Errors {
    /** What is said wherever the database does not answer. */
    static final String DATABASE_GONE =
            "The database does not answer just now: nothing of this was stored. What you typed stays; try again in a moment.";

    /** The same where the database answers that there is no room. */
    static final String DISK_FULL =
            "The disk of the server is full: nothing of this was stored. What you typed stays; try again when there is room. Tell whoever runs the server.";

    /** MariaDB: table is full; disk full. Source: the error codes of MariaDB 10.11. */
    private static final Set<Integer> FULL = Set.of(1114, 1021);

    private static final Log LOG = LogFactory.getLog(Errors.class);

    @ExceptionHandler({NoSuchJob.class, NotHere.class})
    @ResponseStatus(HttpStatus.NOT_FOUND)
    ModelAndView notHere(HttpServletRequest request) {
        return sentence(
                request,
                "Not here",
                "There is nothing here for you. The address may be mistyped, or the job belongs to others.");
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
    ModelAndView databaseGone(Exception fault, HttpServletRequest request) {
        LOG.error("The database did not answer: nothing of this request is stored", fault);
        return sentence(request, "Not stored", isForWantOfRoom(fault) ? DISK_FULL : DATABASE_GONE);
    }

    private static boolean isForWantOfRoom(Throwable fault) {
        for (Throwable cause = fault; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && FULL.contains(sql.getErrorCode())) {
                return true;
            }
        }
        return false;
    }

    @ExceptionHandler(KeyTaken.class)
    @ResponseStatus(HttpStatus.CONFLICT)
    ModelAndView keyTaken(KeyTaken taken, HttpServletRequest request) {
        return sentence(request, "Not stored", taken.getMessage());
    }

    @ExceptionHandler(NotAllowed.class)
    @ResponseStatus(HttpStatus.FORBIDDEN)
    ModelAndView notAllowed(NotAllowed notAllowed, HttpServletRequest request) {
        return sentence(request, "Not yours to book", notAllowed.getMessage());
    }

    @ExceptionHandler(Refused.class)
    @ResponseStatus(HttpStatus.UNPROCESSABLE_CONTENT)
    ModelAndView refused(Refused refused, HttpServletRequest request) {
        return sentence(request, "Not stored", refused.getMessage() + ". Nothing was stored.");
    }

    @ExceptionHandler(TooLong.class)
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    ModelAndView tooLong(TooLong tooLong, HttpServletRequest request) {
        return sentence(request, "Not yet", tooLong.getMessage());
    }

    @ExceptionHandler(HeavyWork.Busy.class)
    @ResponseStatus(HttpStatus.TOO_MANY_REQUESTS)
    ModelAndView busy(HeavyWork.Busy busy, HttpServletRequest request) {
        return sentence(request, "Not yet", busy.getMessage());
    }

    @ExceptionHandler(MultipartException.class)
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    ModelAndView noFile(HttpServletRequest request) {
        return sentence(
                request,
                "Not imported",
                "No file came with this: choose one, then send it again. Nothing was imported.");
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    @ResponseStatus(HttpStatus.CONTENT_TOO_LARGE)
    ModelAndView tooLarge(HttpServletRequest request) {
        return sentence(
                request,
                "Not imported",
                "The file is larger than 64 MB, the largest that is read. Nothing was imported.");
    }

    /** A script says the sentence on its own page: problem details, RFC 9457. */
    private static ModelAndView sentence(HttpServletRequest request, String heading, String sentence) {
        if (request.getHeader("X-Requested-With") != null) {
            return new ModelAndView((model, asked, answer) -> {
                answer.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
                answer.setCharacterEncoding(StandardCharsets.UTF_8);
                answer.getWriter()
                        .write(JsonTrees.line(new Fields().put("title", heading).put("detail", sentence)));
            });
        }
        return new ModelAndView(
                "frame/sentence",
                Map.of("theme", "day", "version", Version.current(), "heading", heading, "sentence", sentence));
    }
}
