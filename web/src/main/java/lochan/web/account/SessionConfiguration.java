package lochan.web.account;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.MySqlJdbcIndexedSessionRepositoryCustomizer;

/** How sessions are kept: two requests of one that set the same attribute do not stumble over each other. */
@Configuration(proxyBeanMethods = false)
class SessionConfiguration {

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> attributesOfParallelRequests() {
        return new MySqlJdbcIndexedSessionRepositoryCustomizer();
    }
}
