package lochan.web.eventbook;

import org.springframework.aop.support.DefaultPointcutAdvisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Role;
import org.springframework.transaction.support.TransactionTemplate;

/** Puts {@link EventWrites} around the methods that are marked. */
@Configuration(proxyBeanMethods = false)
@Role(BeanDefinition.ROLE_INFRASTRUCTURE)
class EventWriteConfiguration {

    @Bean
    @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
    static DefaultPointcutAdvisor eventWriteAdvisor(
            ObjectProvider<TransactionTemplate> transactions,
            ObjectProvider<EventRepository> events,
            ApplicationEventPublisher told) {
        return new DefaultPointcutAdvisor(
                AnnotationMatchingPointcut.forMethodAnnotation(EventWrite.class),
                new EventWrites(transactions, events, told));
    }
}
