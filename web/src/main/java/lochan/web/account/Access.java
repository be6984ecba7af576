package lochan.web.account;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Who may come in and how.
 *
 * @param demo      whether the demo account is offered
 * @param setupCode what the first-account page asks for; null in the demo, which has its account
 */
@ConfigurationProperties("lochan")
public record Access(boolean demo, @Nullable String setupCode) {}
