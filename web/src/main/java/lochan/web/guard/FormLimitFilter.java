package lochan.web.guard;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import lochan.core.Bounds;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Takes in forms before anything asks for their fields: short ones of anybody, longer ones and files of those who are signed in. A file that
 * nobody signed in sends is not even begun to be read.
 */
@Component
@Order(FormLimitFilter.BEFORE_SECURITY)
class FormLimitFilter extends OncePerRequestFilter {

    /** After the session is there; Spring Security's own filters have -100. */
    static final int BEFORE_SECURITY = -150;
    /** A day's track asks of each stop where and with what. */
    private static final int MOST_FIELDS = 5000;

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !isOf(request, MediaType.APPLICATION_FORM_URLENCODED_VALUE)
                && !isOf(request, MediaType.MULTIPART_FORM_DATA_VALUE);
    }

    private static boolean isOf(HttpServletRequest request, String type) {
        return request.getContentType() != null
                && request.getContentType().toLowerCase(Locale.ROOT).startsWith(type);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean signedIn = isSignedIn(request);
        if (isOf(request, MediaType.MULTIPART_FORM_DATA_VALUE)) {
            if (signedIn) {
                chain.doFilter(request, response);
            } else {
                Bodies.refuse(response, HttpStatus.FORBIDDEN);
            }
            return;
        }
        long most = signedIn ? Bounds.FORM_BYTES : Bounds.PUBLIC_FORM_BYTES;
        byte[] body = Bodies.read(request, response, most, Duration.ofSeconds(Bounds.FORM_SECONDS));
        if (body != null) {
            Map<String, List<String>> fields = fields(new String(body, StandardCharsets.UTF_8));
            if (fields == null) {
                Bodies.refuse(response, HttpStatus.BAD_REQUEST);
            } else {
                chain.doFilter(new WithFields(request, fields), response);
            }
        }
    }

    private static boolean isSignedIn(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null
                && session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY) != null;
    }

    /** The fields of a form; null: it is none, or has too many. */
    private static @Nullable Map<String, List<String>> fields(String body) {
        Map<String, List<String>> fields = new LinkedHashMap<>();
        int count = 0;
        int from = 0;
        while (from < body.length()) {
            int to = body.indexOf('&', from);
            String pair = body.substring(from, to < 0 ? body.length() : to);
            from = to < 0 ? body.length() : to + 1;
            if (pair.isEmpty()) {
                continue;
            }
            count++;
            int equals = pair.indexOf('=');
            try {
                String name = decoded(equals < 0 ? pair : pair.substring(0, equals));
                String value = equals < 0 ? "" : decoded(pair.substring(equals + 1));
                fields.computeIfAbsent(name, n -> new ArrayList<>()).add(value);
            } catch (IllegalArgumentException e) {
                return null;
            }
        }
        return count > MOST_FIELDS ? null : fields;
    }

    private static String decoded(String text) {
        return URLDecoder.decode(text, StandardCharsets.UTF_8);
    }

    /** A request whose form is here already. */
    private static final class WithFields extends HttpServletRequestWrapper {

        private final Map<String, String[]> fields = new LinkedHashMap<>();

        /** The fields of the address come first, as the server itself has them. */
        WithFields(HttpServletRequest request, Map<String, List<String>> sent) {
            super(request);
            Map<String, List<String>> all = new LinkedHashMap<>();
            request.getParameterMap().forEach((name, values) -> all.put(name, new ArrayList<>(List.of(values))));
            sent.forEach((name, values) ->
                    all.computeIfAbsent(name, n -> new ArrayList<>()).addAll(values));
            all.forEach((name, values) -> fields.put(name, values.toArray(String[]::new)));
        }

        @Override
        public @Nullable String getParameter(String name) {
            String[] values = fields.get(name);
            return values == null ? null : values[0];
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return Collections.unmodifiableMap(fields);
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(fields.keySet());
        }

        @Override
        public String @Nullable [] getParameterValues(String name) {
            String[] values = fields.get(name);
            return values == null ? null : values.clone();
        }
    }
}
