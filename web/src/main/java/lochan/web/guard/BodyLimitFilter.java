package lochan.web.guard;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import lochan.core.Bounds;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Takes in the bodies that scripts send, once it is known who sends them, and refuses what is too large. Forms and files have the limits of the
 * server's own; they come with a page that says what was wrong.
 */
@Component
@Order(BodyLimitFilter.AFTER_SECURITY)
class BodyLimitFilter extends OncePerRequestFilter {

    static final int AFTER_SECURITY = 0;

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        boolean none = request.getContentLengthLong() == 0
                || request.getMethod().equals("GET")
                || request.getMethod().equals("HEAD");
        return none
                || (type != null
                        && (type.startsWith(MediaType.APPLICATION_FORM_URLENCODED_VALUE)
                                || type.startsWith(MediaType.MULTIPART_FORM_DATA_VALUE)));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        byte[] body = Bodies.read(request, response, Bounds.FORM_BYTES, Duration.ofSeconds(Bounds.FORM_SECONDS));
        if (body != null) {
            chain.doFilter(new Held(request, body), response);
        }
    }

    /** A request whose body is here already. */
    private static final class Held extends HttpServletRequestWrapper {

        private final byte[] body;

        Held(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            ByteArrayInputStream in = new ByteArrayInputStream(body);
            return new ServletInputStream() {
                @Override
                public int read() {
                    return in.read();
                }

                @Override
                public int read(byte[] into, int from, int length) {
                    return in.read(into, from, length);
                }

                @Override
                public boolean isFinished() {
                    return in.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new UnsupportedOperationException("the body is here already");
                }
            };
        }

        @Override
        public BufferedReader getReader() {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }
}
