package lochan.web;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import lochan.store.RecordsUpgrade;
import lochan.web.clock.DemoClock;
import lochan.web.clock.DemoMoments;
import lochan.web.eventbook.EventKeyResolver;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.AsyncHandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The clock, and the arguments of controllers. The machine's time zone is the first guess for a new event, and names saved files. */
@SuppressWarnings("JavaTimeDefaultTimeZone")
@Configuration(proxyBeanMethods = false)
@EnableScheduling
class WebConfiguration {

    @Bean
    Clock clock(@Value("${lochan.demo:false}") boolean demo) {
        if (!demo) {
            return Clock.systemDefaultZone();
        }
        DemoClock clock = new DemoClock(Clock.systemDefaultZone());
        clock.set(DemoMoments.LAST_PRACTICE_EVENING.instant());
        return clock;
    }

    /** Before anything of the records is read or written: nothing newer is touched, and what is changed is kept first. */
    @Bean
    FlywayMigrationStrategy upgrade(
            @Value("${lochan.backups:backups}") Path backups,
            @Value("${spring.flyway.url}") String url,
            @Value("${spring.flyway.user}") String user,
            @Value("${spring.flyway.password}") String password) {
        return flyway -> new RecordsUpgrade(backups, Clock.systemDefaultZone()).run(flyway, url, user, password);
    }

    @Bean
    WebMvcConfigurer mvc(EventKeyResolver eventKeys, List<AsyncHandlerInterceptor> interceptors) {
        return new WebMvcConfigurer() {
            @Override
            public void addInterceptors(InterceptorRegistry registry) {
                interceptors.forEach(registry::addInterceptor);
            }

            @Override
            public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
                resolvers.add(eventKeys);
            }
        };
    }
}
