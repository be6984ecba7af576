package lochan.web.testing;

import static lochan.web.db.Tables.ACCOUNT;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.net.URI;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.context.ApplicationContext;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;

/**
 * The application as it runs for a test.
 *
 * @param address where it answers
 * @param context its beans
 * @param stop    ends it
 */
public record RunningApp(URI address, ApplicationContext context, Runnable stop) implements AutoCloseable {

    static final String PASSWORD = "four words in a row";

    /** Of that password, quick to check: a hash says itself how much work it asks. Hundreds of tests sign in. */
    private static final String QUICK_HASH = new Argon2PasswordEncoder(16, 32, 1, 64, 1).encode(PASSWORD);

    /** Asks for the application with its demo. */
    @Target(ElementType.PARAMETER)
    @Retention(RetentionPolicy.RUNTIME)
    public @interface Demo {}

    public <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    /** Somebody who has not signed in. */
    public Visitor visitor() {
        return new Visitor(address);
    }

    /** A signed-in angler with a new account. */
    public Visitor angler() {
        return account().visitor();
    }

    /**
     * A new account.
     *
     * @param visitor signed in to it
     */
    public record Account(String name, String password, Visitor visitor) {}

    public Account account() {
        String name = "angler " + UUID.randomUUID();
        bean(DSLContext.class)
                .insertInto(ACCOUNT)
                .set(ACCOUNT.NAME, name)
                .set(ACCOUNT.PASSWORD_HASH, QUICK_HASH)
                .execute();
        Visitor visitor = visitor();
        visitor.post("/sign-in", "name", name, "password", PASSWORD);
        return new Account(name, PASSWORD, visitor);
    }

    /** The demo angler, signed in. */
    public Visitor demoAngler() {
        Visitor visitor = visitor();
        visitor.post("/sign-in/demo");
        return visitor;
    }

    @Override
    public void close() {
        stop.run();
    }
}
