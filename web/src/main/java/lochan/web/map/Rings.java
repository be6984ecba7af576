package lochan.web.map;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import lochan.web.lake.MapProblem;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/** Rings of an area as bodies of water: those that lie within another are its islands, however the file orders them. */
final class Rings {

    /** Of an area, or of all areas of a lake. */
    static final int MOST = 5000;

    private static final int LEAST = 3;

    private Rings() {}

    /** @throws BadGridException when there are more rings than a lake has */
    static List<Lake.Body> bodies(List<List<Position>> parts) throws BadGridException {
        List<List<Position>> rings =
                parts.stream().map(Rings::open).filter(r -> r.size() >= LEAST).toList();
        if (rings.size() > MOST) {
            throw new BadGridException(MapProblem.TOO_MANY_RINGS, rings.size(), MOST);
        }
        STRtree byPlace = new STRtree();
        for (int i = 0; i < rings.size(); i++) {
            byPlace.insert(envelope(rings.get(i)), i);
        }
        Map<Integer, List<List<Position>>> islands = new HashMap<>();
        List<Integer> shores = new ArrayList<>();
        for (int i = 0; i < rings.size(); i++) {
            List<Integer> around = around(i, rings, byPlace);
            if (around.size() % 2 == 0) {
                shores.add(i);
            } else {
                for (int a : around) {
                    islands.computeIfAbsent(a, k -> new ArrayList<>()).add(rings.get(i));
                }
            }
        }
        return shores.stream()
                .map(i -> new Lake.Body(rings.get(i), islands.getOrDefault(i, List.of())))
                .toList();
    }

    private static List<Integer> around(int ring, List<List<Position>> rings, STRtree byPlace) {
        Position first = rings.get(ring).getFirst();
        List<Integer> around = new ArrayList<>();
        byPlace.query(new Envelope(new Coordinate(first.lon(), first.lat())), found -> {
            int other = (Integer) found;
            if (other != ring && new Lake.Body(rings.get(other), List.of()).holds(first)) {
                around.add(other);
            }
        });
        return around;
    }

    private static Envelope envelope(List<Position> ring) {
        Envelope all = new Envelope();
        ring.forEach(p -> all.expandToInclude(p.lon(), p.lat()));
        return all;
    }

    /** Without the last place where it repeats the first. */
    static List<Position> open(List<Position> ring) {
        boolean closed = ring.size() > 1 && ring.getFirst().equals(ring.getLast());
        return closed ? ring.subList(0, ring.size() - 1) : ring;
    }
}
