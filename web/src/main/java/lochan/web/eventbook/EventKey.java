package lochan.web.eventbook;

/**
 * An event of an account. Holding one proves that the event is this account's; every query below an event takes both
 * ids.
 */
public record EventKey(long accountId, long eventId) {}
