package lochan.core.tackle;

import java.util.List;
import java.util.Optional;

/**
 * An angler's tackle.
 *
 * @param lures        sheets of the catalogue with the angler's own changes and additions
 * @param rods         in the angler's order
 * @param box          what lies in the box
 * @param observations what the angler saw lures do
 */
public record Tackle(List<Lure> lures, List<Rod> rods, List<BoxItem> box, List<LureObservation> observations) {

    public static final Tackle NONE = new Tackle(List.of(), List.of(), List.of(), List.of());

    public Tackle {
        lures = List.copyOf(lures);
        rods = List.copyOf(rods);
        box = List.copyOf(box);
        observations = List.copyOf(observations);
    }

    /** The sheet of a presentation; empty when neither catalogue nor angler has one. */
    public Optional<Lure> lure(String presentationId) {
        return lures.stream().filter(l -> l.isOf(presentationId)).findFirst();
    }

    public List<Rod> rodsInBoat() {
        return rods.stream().filter(Rod::inBoat).toList();
    }

    /** Lures in the boat of one sheet. */
    public List<BoxItem> inBoat(String lureId) {
        return box.stream()
                .filter(i -> i.kind() == BoxItem.Kind.LURE
                        && i.inBoat()
                        && i.count() > 0
                        && Lure.currentId(lureId).equals(i.lureId()))
                .toList();
    }
}
