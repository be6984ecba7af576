package lochan.core.lures.deck;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lochan.core.Reason;
import lochan.core.event.Gear;
import lochan.core.practice.Presentation;
import lochan.core.tackle.Family;
import lochan.core.tackle.Hooking;
import lochan.core.tackle.Lure;
import org.jspecify.annotations.Nullable;

/**
 * Something the rules do not let on the deck. What is allowed is for the director, the officers and the local regulations to say: this is what
 * the angler's own rules say.
 *
 * @param presentationId what breaks it; null: the deck as a whole
 * @param found          what was found, and what the rules say
 * @param remedy         what to change
 */
public record GearCheck(@Nullable String presentationId, Reason found, Reason remedy) {

    /**
     * All that an event's rules of gear find.
     *
     * @param tiedOn presentations on the deck or in the plan, each once
     * @param lures  their sheets, where there are any
     * @param rods   rigged on the deck
     */
    public static List<GearCheck> of(Gear gear, List<Presentation> tiedOn, List<Lure> lures, int rods) {
        List<GearCheck> found = new ArrayList<>();
        for (Presentation p : tiedOn) {
            Optional<Lure> sheet = lures.stream().filter(l -> l.isOf(p.id())).findFirst();
            banned(gear, p, sheet).ifPresent(found::add);
            sheet.flatMap(l -> hooks(gear, p, l.hooking())).ifPresent(found::add);
            if (Boolean.FALSE.equals(gear.liveBaitAllowed())
                    && sheet.filter(l -> l.family() == Family.LIVE_BAIT).isPresent()) {
                found.add(
                        new GearCheck(p.id(), GearReason.LIVE_BAIT.with(p.name()), GearReason.LEAVE_LIVE_BAIT.with()));
            }
        }
        if (gear.maxRods() != null && rods > gear.maxRods()) {
            found.add(new GearCheck(
                    null,
                    GearReason.TOO_MANY_RODS.with(rods, gear.maxRods()),
                    GearReason.UNRIG_RODS.with(rods - gear.maxRods())));
        }
        return List.copyOf(found);
    }

    private static Optional<GearCheck> banned(Gear gear, Presentation p, Optional<Lure> sheet) {
        return gear.banned().stream()
                .filter(b -> matches(b, p, sheet))
                .findFirst()
                .map(b -> new GearCheck(
                        p.id(),
                        GearReason.BANNED.with(p.name(), b.replace('-', ' ')),
                        GearReason.TIE_SOMETHING_ELSE.with()));
    }

    /** A ban names a presentation, or a family of lures, in one or many. */
    private static boolean matches(String ban, Presentation p, Optional<Lure> sheet) {
        String one = singular(ban);
        return one.equals(singular(p.id()))
                || sheet.filter(l -> one.equals(singular(l.family().code()))).isPresent();
    }

    private static String singular(String code) {
        return code.endsWith("s") ? code.substring(0, code.length() - 1) : code;
    }

    private static Optional<GearCheck> hooks(Gear gear, Presentation p, Hooking hooking) {
        if (gear.maxHooksPerRig() == null || hooking.count() <= gear.maxHooksPerRig()) {
            return Optional.empty();
        }
        int over = hooking.count() - gear.maxHooksPerRig();
        boolean arms = hooking.kind() == lochan.core.practice.Hooks.MULTI;
        return Optional.of(new GearCheck(
                p.id(),
                GearReason.TOO_MANY_HOOKS.with(p.name(), hooking.count(), gear.maxHooksPerRig()),
                (arms ? GearReason.USE_TEASERS : GearReason.REMOVE_HOOKS).with(over)));
    }
}
