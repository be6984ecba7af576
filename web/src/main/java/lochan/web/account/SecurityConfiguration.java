package lochan.web.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.web.filter.OncePerRequestFilter;

/** What is open to whom, and the headers of every answer. */
@Configuration(proxyBeanMethods = false)
@EnableConfigurationProperties(Access.class)
class SecurityConfiguration {

    private static final String CONTENT_POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self'; "
            + "connect-src 'self'; manifest-src 'self'; worker-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    @Bean
    PasswordEncoder passwordEncoder() {
        return Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8();
    }

    @Bean
    SecurityFilterChain security(HttpSecurity http, Accounts accounts) throws Exception {
        http.authorizeHttpRequests(r -> r
                .requestMatchers("/setup", "/sign-in", "/sign-in/demo", "/assets/**", "/js/**", "/worker.js", "/lochan.crt", "/schema/**", "/error", "/alive").permitAll()
                .anyRequest().authenticated());
        http.exceptionHandling(e -> e.authenticationEntryPoint(new LoginUrlAuthenticationEntryPoint("/sign-in")));
        http.logout(l -> l.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in"));
        http.requestCache(c -> c.disable());
        http.headers(h -> h
                .contentSecurityPolicy(c -> c.policyDirectives(CONTENT_POLICY))
                .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN))
                .frameOptions(f -> f.deny()));
        http.addFilterBefore(new FirstAccountFilter(accounts), AuthorizationFilter.class);
        return http.build();
    }

    /** While there is no account, every page is the one that makes it. */
    private static final class FirstAccountFilter extends OncePerRequestFilter {

        private final Accounts accounts;

        FirstAccountFilter(Accounts accounts) {
            this.accounts = accounts;
        }

        @Override
        protected boolean shouldNotFilter(HttpServletRequest request) {
            String path = request.getServletPath();
            return path.equals("/setup") || path.equals("/alive") || path.startsWith("/assets/") || path.startsWith("/js/") || path.equals("/worker.js") || path.equals("/lochan.crt");
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
