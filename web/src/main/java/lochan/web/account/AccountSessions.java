package lochan.web.account;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Service;

/** The sessions of accounts on all their devices. */
@Service
public class AccountSessions {

    private final FindByIndexNameSessionRepository<? extends Session> sessions;
    private final ApplicationEventPublisher events;

    AccountSessions(FindByIndexNameSessionRepository<? extends Session> sessions, ApplicationEventPublisher events) {
        this.sessions = sessions;
        this.events = events;
    }

    /** Whether a session goes on, by its id as {@code HttpSession.getId()} gives it. */
    public boolean isOpen(String sessionId) {
        return sessions.findById(sessionId) != null;
    }

    /** How many devices are signed in. */
    int count(Angler angler) {
        return sessions.findByPrincipalName(angler.getName()).size();
    }

    /**
     * Ends the account's sessions.
     *
     * @param but id of the one that goes on; null: none does
     * @return how many were ended
     */
    int end(Angler angler, @Nullable String but) {
        Map<String, ? extends Session> all = sessions.findByPrincipalName(angler.getName());
        all.keySet().stream().filter(id -> !id.equals(but)).forEach(id -> {
            sessions.deleteById(id);
            events.publishEvent(new SessionEnded(id));
        });
        return all.size() - (all.containsKey(but) ? 1 : 0);
    }
}
