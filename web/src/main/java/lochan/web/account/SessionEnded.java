package lochan.web.account;

/**
 * A session is over: whatever is still open for it is closed.
 *
 * @param sessionId as {@code HttpSession.getId()} gives it
 */
public record SessionEnded(String sessionId) {}
