package lochan.core.event;

import java.util.List;

/**
 * What the brief says of gear.
 *
 * @param maxHooksPerRig most hooks on one rig; null: not limited
 * @param banned         codes of banned rigs
 */
public record Gear(Integer maxHooksPerRig, List<String> banned) {

    public static final Gear FREE = new Gear(null, List.of());

    public Gear {
        banned = List.copyOf(banned);
    }
}
