package lochan.web.shared;

import java.util.Locale;
import lochan.wording.Wording;
import org.jspecify.annotations.Nullable;
import org.springframework.context.MessageSource;
import org.springframework.context.MessageSourceResolvable;
import org.springframework.context.NoSuchMessageException;
import org.springframework.stereotype.Component;

/**
 * Gives pages the messages that Java and the phone use: {@code #{account.sign-in}} is {@link Wording#text(String,
 * Object...)}.
 */
@Component("messageSource")
class PageMessages implements MessageSource {

    private static final Object[] NONE = {};

    /** Gives Spring's own texts, which come with their defaults. */
    @Override
    public @Nullable String getMessage(
            String code, Object @Nullable [] args, @Nullable String defaultMessage, @Nullable Locale locale) {
        return defaultMessage;
    }

    /** @throws IllegalArgumentException when there is no such message */
    @Override
    public String getMessage(String code, Object @Nullable [] args, @Nullable Locale locale) {
        return Wording.text(code, args == null ? NONE : args);
    }

    /** Gives Spring's own texts, which no page shows. */
    @Override
    public String getMessage(MessageSourceResolvable resolvable, @Nullable Locale locale)
            throws NoSuchMessageException {
        String message = resolvable.getDefaultMessage();
        if (message == null) {
            throw new NoSuchMessageException(String.valueOf(resolvable));
        }
        return message;
    }
}
