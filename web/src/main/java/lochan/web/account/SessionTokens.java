package lochan.web.account;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.List;
import org.springframework.session.SessionIdGenerator;
import org.springframework.session.web.http.CookieHttpSessionIdResolver;
import org.springframework.session.web.http.DefaultCookieSerializer;
import org.springframework.session.web.http.HttpSessionIdResolver;
import org.springframework.stereotype.Component;

/**
 * The cookie of a session holds a random token; the session itself is known by the token's hash alone, in memory and in the database. Whoever
 * reads the records cannot enter by them.
 */
@Component
class SessionTokens implements SessionIdGenerator, HttpSessionIdResolver {

    static final String COOKIE = "lochan";
    static final Duration LASTS = Duration.ofDays(30);
    /** A token waits no longer for the answer that takes it to its browser. */
    private static final Duration WAITS = Duration.ofMinutes(2);

    private static final int MOST_WAITING = 10_000;

    private final CookieHttpSessionIdResolver cookies = new CookieHttpSessionIdResolver();
    private final Cache<String, String> fresh = Caffeine.newBuilder()
            .expireAfterWrite(WAITS)
            .maximumSize(MOST_WAITING)
            .build();

    SessionTokens() {
        DefaultCookieSerializer cookie = new DefaultCookieSerializer();
        cookie.setCookieName(COOKIE);
        cookie.setUseHttpOnlyCookie(true);
        cookie.setSameSite("Lax");
        cookie.setCookieMaxAge((int) LASTS.toSeconds());
        cookies.setCookieSerializer(cookie);
    }

    @Override
    public String generate() {
        String token = Secrets.token();
        String id = Secrets.hash(token);
        fresh.put(id, token);
        return id;
    }

    @Override
    public List<String> resolveSessionIds(HttpServletRequest request) {
        // What is the same for everybody needs no session, and so no records.
        return SecurityConfiguration.isPublic(request)
                ? List.of()
                : cookies.resolveSessionIds(request).stream().map(Secrets::hash).toList();
    }

    @Override
    public void setSessionId(HttpServletRequest request, HttpServletResponse response, String sessionId) {
        String token = fresh.getIfPresent(sessionId);
        if (token != null) {
            cookies.setSessionId(request, response, token);
        }
    }

    @Override
    public void expireSession(HttpServletRequest request, HttpServletResponse response) {
        cookies.expireSession(request, response);
    }
}
