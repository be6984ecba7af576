package lochan.web.guard;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.Lookup;
import lochan.wording.Wording;
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
     * The contents of the error page.
     *
     * @param status of the answer
     */
    record ErrorView(int status, String title, String words) {}

    private static final Map<Integer, ErrorView> KNOWN = Map.of(
            400, new ErrorView(400, Wording.text("errors.invalid"), Wording.text("errors.invalid-why")),
            403, new ErrorView(403, Wording.text("errors.out-of-date"), Wording.text("errors.out-of-date-why")),
            404, new ErrorView(404, Wording.text("errors.not-found"), Wording.text("errors.not-found-why")),
            413, new ErrorView(413, Wording.text("errors.too-large"), Wording.text("errors.too-large-why")),
            429, new ErrorView(429, Wording.text("errors.too-many"), Wording.text("errors.too-many-why")));
    private static final ErrorView AWAY =
            new ErrorView(503, Wording.text("errors.no-database"), Wording.text("errors.no-database-why"));
    private static final ErrorView BUSY =
            new ErrorView(503, Wording.text("errors.busy"), Wording.text("errors.busy-why"));

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
                status, new ErrorView(status, Wording.text("errors.failed"), Wording.text("errors.failed-why")));
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
