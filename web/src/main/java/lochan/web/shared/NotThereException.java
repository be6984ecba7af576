package lochan.web.shared;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** The page is missing or belongs to another account; both look alike from outside. */
@ResponseStatus(HttpStatus.NOT_FOUND)
public final class NotThereException extends RuntimeException {

    private static final long serialVersionUID = 1L;
}
