package lochan.web.shared;

import java.util.Map;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The offer to take the last step back, shown on the next page. */
public final class Undo {

    private Undo() {}

    /**
     * @param done   what was done, as a sentence
     * @param action where a POST takes it back
     */
    public static void offer(RedirectAttributes flash, String done, String action) {
        flash.addFlashAttribute("undo", Map.of("done", done, "action", action));
    }
}
