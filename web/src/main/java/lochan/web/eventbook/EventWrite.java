package lochan.web.eventbook;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A method that writes to the event of its {@link EventKey}: it runs in a transaction that holds the event from its beginning, so that what it
 * reads first is what it changes, despite other writers. One that the database breaks off to end a deadlock is done
 * again.
 */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
public @interface EventWrite {}
