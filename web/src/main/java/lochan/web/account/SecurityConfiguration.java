package lochan.web.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.List;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.header.writers.StaticHeadersWriter;
import org.springframework.web.filter.OncePerRequestFilter;

/** Decides which pages are open to whom, and sets the headers of every answer. */
@Configuration(proxyBeanMethods = false)
@EnableConfigurationProperties(Access.class)
class SecurityConfiguration {

    private static final String CONTENT_POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self'; "
                    + "connect-src 'self'; manifest-src 'self'; worker-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";
    private static final String PERMISSIONS =
            "geolocation=(self), screen-wake-lock=(self), accelerometer=(self), camera=(), display-capture=(), "
                    + "gyroscope=(self), hid=(), magnetometer=(self), microphone=(self), midi=(), payment=(), serial=(), usb=()";
    /**
     * Lists the files that are alike for everyone: they are served without the session, and while the database is down.
     */
    static final List<String> PUBLIC_FOLDERS = List.of("/assets/", "/js/", "/schema/");

    static final List<String> PUBLIC_FILES = List.of("/worker.js", "/lochan.crt", "/alive");
    private static final String THIS_MACHINE = "localhost|\\[.*]|[0-9.]+";

    /** Whether a request is for what is the same for everybody. */
    static boolean isPublic(HttpServletRequest request) {
        String path = request.getServletPath();
        return PUBLIC_FILES.contains(path) || PUBLIC_FOLDERS.stream().anyMatch(path::startsWith);
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BoundedPasswordEncoder(Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8());
    }

    @Bean
    @Order(1)
    SecurityFilterChain open(HttpSecurity http) throws Exception {
        http.securityMatcher(SecurityConfiguration::isPublic);
        http.authorizeHttpRequests(r -> r.anyRequest().permitAll());
        http.sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS));
        http.csrf(c -> c.disable())
                .logout(l -> l.disable())
                .requestCache(c -> c.disable())
                .securityContext(c -> c.disable())
                .anonymous(a -> a.disable());
        headers(http);
        return http.build();
    }

    @Bean
    @Order(2)
    SecurityFilterChain security(HttpSecurity http, Accounts accounts, ApplicationEventPublisher events)
            throws Exception {
        http.authorizeHttpRequests(r -> r.requestMatchers("/setup", "/join", "/sign-in", "/sign-in/demo", "/error")
                .permitAll()
                .anyRequest()
                .authenticated());
        http.exceptionHandling(e -> e.authenticationEntryPoint(new LoginUrlAuthenticationEntryPoint("/sign-in")));
        http.logout(l -> l.logoutUrl("/sign-out")
                .logoutSuccessUrl("/sign-in")
                .addLogoutHandler((request, response, who) -> {
                    HttpSession session = request.getSession(false);
                    if (session != null) {
                        events.publishEvent(new SessionEnded(session.getId()));
                    }
                }));
        http.requestCache(c -> c.disable());
        headers(http);
        http.addFilterBefore(new FirstAccountFilter(accounts), AuthorizationFilter.class);
        return http.build();
    }

    /** A name that only means this machine is not bound to TLS forever: other programs answer at it too. */
    private static void headers(HttpSecurity http) throws Exception {
        http.headers(h -> h.contentSecurityPolicy(c -> c.policyDirectives(CONTENT_POLICY))
                .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN))
                .httpStrictTransportSecurity(s ->
                        s.requestMatcher(r -> r.isSecure() && !r.getServerName().matches(THIS_MACHINE)))
                .addHeaderWriter(new StaticHeadersWriter("Permissions-Policy", PERMISSIONS))
                .frameOptions(f -> f.deny()));
    }

    /** While there is no account, every page is the one that makes it. */
    private static final class FirstAccountFilter extends OncePerRequestFilter {

        private final Accounts accounts;

        FirstAccountFilter(Accounts accounts) {
            this.accounts = accounts;
        }

        @Override
        protected boolean shouldNotFilter(HttpServletRequest request) {
            return request.getServletPath().equals("/setup")
                    || request.getServletPath().equals("/error");
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            if (accounts.noneYet()) {
                response.setStatus(HttpStatus.SEE_OTHER.value());
                response.setHeader("Location", request.getContextPath() + "/setup");
            } else {
                chain.doFilter(request, response);
            }
        }
    }
}
