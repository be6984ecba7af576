package lochan.web.shared;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;

/** Files that pages hand out. */
public final class Downloads {

    private Downloads() {}

    /** Makes an answer a file to be kept under a name. */
    public static void attach(HttpServletResponse response, String name, String type) {
        response.setContentType(type);
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(name, StandardCharsets.UTF_8)
                        .build()
                        .toString());
    }
}
