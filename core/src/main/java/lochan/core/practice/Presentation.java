package lochan.core.practice;

import java.util.List;

/**
 * Lure, rig and way of working it.
 *
 * @param id    unique in its event, as {@code swim-jig}
 * @param name  what the angler calls it
 * @param hooks what it is hooked with
 */
public record Presentation(String id, String name, Hooks hooks) {

    /** Presentations by their common generic names, offered to a new event. */
    public static final List<Presentation> COMMON = List.of(
            new Presentation("walking-topwater", "Walking topwater", Hooks.TREBLE),
            new Presentation("swim-jig", "Swim jig", Hooks.SINGLE),
            new Presentation("spinnerbait", "Spinnerbait", Hooks.SINGLE),
            new Presentation("medium-crankbait", "Medium crankbait", Hooks.TREBLE),
            new Presentation("flipping-jig", "Flipping jig", Hooks.SINGLE),
            new Presentation("texas-rig", "Texas rig", Hooks.SINGLE),
            new Presentation("carolina-rig", "Carolina rig", Hooks.SINGLE),
            new Presentation("shaky-head", "Shaky head", Hooks.SINGLE),
            new Presentation("drop-shot", "Drop shot", Hooks.SINGLE),
            new Presentation("stick-worm", "Stick worm, weightless", Hooks.SINGLE));
}
