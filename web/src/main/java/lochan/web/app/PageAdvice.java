package lochan.web.app;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.LocalDateTime;
import java.util.Map;
import lochan.core.quantity.Units;
import lochan.web.Server;
import lochan.web.account.Accounts;
import lochan.web.account.Angler;
import lochan.web.clock.DemoClock;
import lochan.web.clock.DemoMoments;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.Events;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.servlet.HandlerMapping;

/** What every page knows: the angler's units, the event it is of, its theme and the demo's clock. */
@ControllerAdvice(basePackageClasses = Server.class)
class PageAdvice {

    private final Accounts accounts;
    private final Events events;
    private final Clock clock;

    PageAdvice(Accounts accounts, Events events, Clock clock) {
        this.accounts = accounts;
        this.events = events;
        this.clock = clock;
    }

    @ModelAttribute("units")
    Units units(Authentication who) {
        return who != null && who.getPrincipal() instanceof Angler a ? accounts.units(a.accountId()) : Units.USUAL;
    }

    @ModelAttribute("angler")
    @Nullable
    Angler angler(Authentication who) {
        return who != null && who.getPrincipal() instanceof Angler a ? a : null;
    }

    @ModelAttribute("theme")
    String theme(@CookieValue(name = "theme", defaultValue = "light") String theme) {
        return theme.equals("dark") ? "dark" : "light";
    }

    @ModelAttribute("path")
    String path(HttpServletRequest request) {
        return request.getServletPath();
    }

    /**
     * The event a page is of.
     *
     * @param root path of its pages
     */
    record EventHead(long id, String name, String root) {}

    @ModelAttribute("eventHead")
    @Nullable
    EventHead eventHead(Authentication who, HttpServletRequest request) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        // What is sent on an open stream has no page around it, and its event may be gone meanwhile.
        boolean known = request.getDispatcherType() != DispatcherType.ASYNC
                && variables instanceof Map<?, ?> path
                && path.get("eventId") instanceof String id
                && id.matches("\\d{1,18}")
                && !request.getServletPath().equals("/events/" + id + "/restore");
        return known && who != null && who.getPrincipal() instanceof Angler a
                ? head(a, (String) ((Map<?, ?>) variables).get("eventId"))
                : null;
    }

    private EventHead head(Angler angler, @Nullable String id) {
        EventKey key = events.key(angler.accountId(), Long.parseLong(id));
        return new EventHead(key.eventId(), events.name(key), "/events/" + id);
    }

    /** The demo's clock in a strip; null outside the demo. */
    @ModelAttribute("demoStrip")
    @Nullable
    Map<String, Object> demoStrip() {
        if (!(clock instanceof DemoClock)) {
            return null;
        }
        return Map.of(
                "now",
                LocalDateTime.ofInstant(clock.instant(), DemoMoments.ZONE)
                        .withSecond(0)
                        .withNano(0)
                        .toString()
                        .replace('T', ' '),
                "moments",
                DemoMoments.values());
    }
}
