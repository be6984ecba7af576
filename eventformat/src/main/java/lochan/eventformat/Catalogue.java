package lochan.eventformat;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import lochan.core.tackle.Lure;

/** The catalogue of presentations that ships: {@code tackle/catalogue.json}. */
public final class Catalogue {

    private static final List<Lure> LURES = shipped();

    private Catalogue() {}

    /** Its sheets, in its order. */
    public static List<Lure> lures() {
        return LURES;
    }

    private static List<Lure> shipped() {
        try (InputStream in = Catalogue.class.getResourceAsStream("/tackle/catalogue.json")) {
            return TackleFile.read(in).lures();
        } catch (EventFileException | IOException e) {
            throw new IllegalStateException("the catalogue cannot be read", e);
        }
    }
}
