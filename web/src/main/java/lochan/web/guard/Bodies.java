package lochan.web.guard;

import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** Reads the bodies of requests: memory grows with what has come, never with what was announced, and the whole has a deadline. */
final class Bodies {

    private static final int PIECE = 8192;

    private Bodies() {}

    /** Returns the body; null: it was refused, and the answer says so. */
    static byte @Nullable [] read(HttpServletRequest request, HttpServletResponse response, long most, Duration within)
            throws IOException {
        if (request.getContentLengthLong() > most) {
            refuse(response, HttpStatus.CONTENT_TOO_LARGE);
            return null;
        }
        long deadline = System.nanoTime() + within.toNanos();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        byte[] piece = new byte[PIECE];
        ServletInputStream in = request.getInputStream();
        for (int n = in.read(piece); n >= 0; n = in.read(piece)) {
            body.write(piece, 0, n);
            if (body.size() > most) {
                refuse(response, HttpStatus.CONTENT_TOO_LARGE);
                return null;
            }
            if (System.nanoTime() > deadline) {
                refuse(response, HttpStatus.REQUEST_TIMEOUT);
                return null;
            }
        }
        return body.toByteArray();
    }

    /** Answers in plain words: a page would ask for the form's fields, and so wait for what is left of the body. */
    static void refuse(HttpServletResponse response, HttpStatus status) throws IOException {
        response.setHeader("Connection", "close");
        response.setStatus(status.value());
        response.setContentType("text/plain;charset=UTF-8");
        response.getWriter()
                .write(
                        switch (status) {
                            case CONTENT_TOO_LARGE -> Wording.text("errors.body-too-large");
                            case REQUEST_TIMEOUT -> Wording.text("errors.body-too-slow");
                            case FORBIDDEN -> Wording.text("errors.body-forbidden");
                            default -> Wording.text("errors.body-invalid");
                        });
        response.flushBuffer();
    }
}
