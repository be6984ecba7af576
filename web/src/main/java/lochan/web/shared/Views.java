package lochan.web.shared;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import org.springframework.ui.Model;

/** Shows pages: all that one shows is in its record, and in those of parts it shares with others; templates read their components by name. */
public final class Views {

    private Views() {}

    /**
     * Gives a page what it shows.
     *
     * @param views a component without a value is null for the template
     * @return the template
     */
    public static String show(String template, Model model, Record... views) {
        for (Record view : views) {
            for (RecordComponent component : view.getClass().getRecordComponents()) {
                model.addAttribute(component.getName(), value(view, component));
            }
        }
        return template;
    }

    private static Object value(Record view, RecordComponent component) {
        try {
            component.getAccessor().setAccessible(true);
            return component.getAccessor().invoke(view);
        } catch (IllegalAccessException | InvocationTargetException e) {
            throw new IllegalStateException("no value of " + component + " of " + view.getClass(), e);
        }
    }
}
