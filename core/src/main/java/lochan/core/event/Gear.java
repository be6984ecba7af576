package lochan.core.event;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The rules for gear.
 *
 * @param maxHooksPerRig  most hooks on one rig; null: not limited
 * @param banned          codes of banned presentations or kinds of lures
 * @param maxRods         most rods rigged on the deck; null: not limited
 * @param liveBaitAllowed whether live bait may be fished; null: not said
 */
public record Gear(
        @Nullable Integer maxHooksPerRig,
        List<String> banned,
        @Nullable Integer maxRods,
        @Nullable Boolean liveBaitAllowed) {

    public static final Gear FREE = new Gear(null, List.of());

    public Gear {
        banned = List.copyOf(banned);
    }

    /** Of which only hooks and banned kinds are known. */
    public Gear(@Nullable Integer maxHooksPerRig, List<String> banned) {
        this(maxHooksPerRig, banned, null, null);
    }
}
