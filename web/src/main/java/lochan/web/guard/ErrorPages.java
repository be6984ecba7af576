package lochan.web.guard;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.Lookup;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.TransactionException;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/** One plain page for whatever went wrong. It asks neither the session nor the records, which may be what went wrong. */
@Controller
class ErrorPages implements ErrorController {

    /**
     * What is said.
     *
     * @param status of the answer
     */
    record ErrorView(int status, String title, String words) {}

    private static final Map<Integer, ErrorView> KNOWN = Map.of(
            400, new ErrorView(400, "That request wasn't valid", "Go back, reload the page and try again."),
            403,
                    new ErrorView(
                            403,
                            "This page is out of date",
                            "Reload it and try again. Everything saved earlier is still here."),
            404, new ErrorView(404, "Page not found", "It was deleted, or it belongs to another account."),
            413,
                    new ErrorView(
                            413,
                            "The file is too large",
                            "An event file has at most 20 MB, a grid of depths or a track at most 50 MB."),
            429, new ErrorView(429, "Too many tries", "Wait a while and try again."));
    private static final ErrorView AWAY = new ErrorView(
            503,
            "Database unavailable",
            "The database isn't answering, or its disk is full. Nothing was saved. Try again in a moment. If it persists, see the server log and “Backup” in the README.");
    private static final ErrorView BUSY =
            new ErrorView(503, "Lochan is busy", "Nothing was saved. Try again in a moment.");

    @RequestMapping("/error")
    String error(HttpServletRequest request, HttpServletResponse response, Model model) {
        Integer status = (Integer) request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        ErrorView view = view(status == null ? HttpStatus.NOT_FOUND.value() : status, (Throwable)
                request.getAttribute(RequestDispatcher.ERROR_EXCEPTION));
        response.setStatus(view.status());
        model.addAttribute("error", view);
        return "error/page";
    }

    private static ErrorView view(int status, Throwable failure) {
        if (causes(failure).anyMatch(DataIntegrityViolationException.class::isInstance)) {
            return Lookup.of(KNOWN, HttpStatus.BAD_REQUEST.value());
        }
        if (status == AWAY.status() || isFullPool(failure)) {
            return BUSY;
        }
        if (isOfRecords(failure)) {
            return AWAY;
        }
        return KNOWN.getOrDefault(
                status,
                new ErrorView(
                        status,
                        "Something went wrong",
                        "Nothing was done; what was saved before is kept. Go back and try again. If it happens again, the terminal of Lochan says why."));
    }

    private static Stream<Throwable> causes(Throwable failure) {
        return Stream.iterate(failure, t -> t != null, Throwable::getCause);
    }

    /** All connections are in use: the database itself answers. */
    private static boolean isFullPool(Throwable failure) {
        return causes(failure).anyMatch(t -> t instanceof SQLTransientConnectionException && t.getCause() == null);
    }

    private static boolean isOfRecords(Throwable failure) {
        return causes(failure)
                .anyMatch(t -> t instanceof DataAccessException
                        || t instanceof TransactionException
                        || t instanceof SQLException);
    }
}
