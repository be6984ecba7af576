package lochan.web.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.HttpSessionCsrfTokenRepository;
import org.springframework.stereotype.Component;

/** Lets an angler in: a fresh session with a fresh form token, so that none prepared by someone else is taken over. */
@Component
class Entrance {

    private final SecurityContextRepository contexts = new HttpSessionSecurityContextRepository();
    private final CsrfTokenRepository formTokens = new HttpSessionCsrfTokenRepository();

    void enter(Angler angler, HttpServletRequest request, HttpServletResponse response) {
        renew(request, response);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                angler, null, List.of(new SimpleGrantedAuthority("ANGLER"))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }

    /** Gives a session another id and another form token. */
    void renew(HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.changeSessionId();
            formTokens.saveToken(null, request, response);
        }
    }
}
