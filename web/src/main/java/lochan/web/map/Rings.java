package lochan.web.map;

import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;

/** Rings of an area as bodies of water: those that lie within another are its islands, however the file orders them. */
final class Rings {

    private static final int LEAST = 3;

    private Rings() {}

    static List<Lake.Body> bodies(List<List<Position>> parts) {
        List<List<Position>> rings =
                parts.stream().map(Rings::open).filter(r -> r.size() >= LEAST).toList();
        List<List<Position>> shores = new ArrayList<>();
        List<List<Position>> islands = new ArrayList<>();
        for (List<Position> ring : rings) {
            long around = rings.stream()
                    .filter(other -> other != ring)
                    .filter(other -> new Lake.Body(other, List.of()).holds(ring.getFirst()))
                    .count();
            (around % 2 == 0 ? shores : islands).add(ring);
        }
        return shores.stream()
                .map(shore -> new Lake.Body(
                        shore,
                        islands.stream()
                                .filter(i -> new Lake.Body(shore, List.of()).holds(i.getFirst()))
                                .toList()))
                .toList();
    }

    /** Without the last place where it repeats the first. */
    static List<Position> open(List<Position> ring) {
        boolean closed = ring.size() > 1 && ring.getFirst().equals(ring.getLast());
        return closed ? ring.subList(0, ring.size() - 1) : ring;
    }
}
