package lochan.web;

import java.time.Clock;
import java.util.List;
import lochan.web.brief.EventKeyResolver;
import lochan.web.clock.DemoClock;
import lochan.web.clock.DemoMoments;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The clock, and the arguments of controllers. */
@Configuration(proxyBeanMethods = false)
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

    @Bean
    WebMvcConfigurer arguments(EventKeyResolver eventKeys) {
        return new WebMvcConfigurer() {
            @Override
            public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
                resolvers.add(eventKeys);
            }
        };
    }
}
