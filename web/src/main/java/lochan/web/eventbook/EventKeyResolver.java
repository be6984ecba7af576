package lochan.web.eventbook;

import static java.util.Objects.requireNonNull;

import java.util.Map;
import lochan.web.account.Angler;
import lochan.web.shared.NotThereException;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.MethodParameter;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.HandlerMapping;

/** Gives controllers the event of their path ({@code {eventId}}), once it is known to belong to who asks. */
@Component
public class EventKeyResolver implements HandlerMethodArgumentResolver {

    private final ObjectProvider<Events> events;

    EventKeyResolver(ObjectProvider<Events> events) {
        this.events = events;
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == EventKey.class;
    }

    @Override
    public EventKey resolveArgument(
            MethodParameter parameter,
            @Nullable ModelAndViewContainer container,
            NativeWebRequest request,
            @Nullable WebDataBinderFactory binders) {
        Authentication who = (Authentication) requireNonNull(request.getUserPrincipal());
        Map<?, ?> path = (Map<?, ?>) requireNonNull(
                request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE, RequestAttributes.SCOPE_REQUEST));
        try {
            return events.getObject()
                    .key(((Angler) requireNonNull(who.getPrincipal())).accountId(), Long.parseLong((String)
                            path.get("eventId")));
        } catch (NumberFormatException e) {
            throw new NotThereException();
        }
    }
}
