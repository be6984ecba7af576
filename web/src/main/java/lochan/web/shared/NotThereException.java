package lochan.web.shared;

import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.ResponseStatus;

/** What was asked for is not there, or not this account's: the two look alike from outside. */
@ResponseStatus(HttpStatus.NOT_FOUND)
public final class NotThereException extends RuntimeException {

    private static final long serialVersionUID = 1L;
}
