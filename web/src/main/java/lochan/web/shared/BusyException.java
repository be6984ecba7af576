package lochan.web.shared;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Too many ask for the same at once: in a moment it will do. */
@ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
public final class BusyException extends RuntimeException {

    private static final long serialVersionUID = 1L;
}
