package lochan.web.map;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.depth.BadGridException;
import org.junit.jupiter.api.Test;

/** Water with an island, on which lies a pond, beside another lake: in whatever order a file has their rings. */
class RingsTest {

    private static final List<Position> SHORE = square(0, 10);
    private static final List<Position> ISLAND = square(2, 6);
    private static final List<Position> POND = square(3, 5);
    private static final List<Position> OTHER = square(20, 30);

    private static List<Position> square(double from, double to) {
        return List.of(new Position(from, from), new Position(from, to), new Position(to, to), new Position(to, from));
    }

    @Test
    void whatLiesWithinIsAnIslandAndWhatLiesOnThatIsWaterAgain() throws BadGridException {
        Lake.Body[] expected = {
            new Lake.Body(SHORE, List.of(ISLAND)), new Lake.Body(POND, List.of()), new Lake.Body(OTHER, List.of())
        };

        assertThat(Rings.bodies(List.of(SHORE, ISLAND, POND, OTHER))).containsExactlyInAnyOrder(expected);
        assertThat(Rings.bodies(List.of(OTHER, POND, ISLAND, SHORE))).containsExactlyInAnyOrder(expected);
    }

    @Test
    void ringsThatEndWhereTheyBeginAreTheSameAndLinesAreNone() throws BadGridException {
        List<Position> closed = List.of(SHORE.get(0), SHORE.get(1), SHORE.get(2), SHORE.get(3), SHORE.get(0));

        assertThat(Rings.bodies(List.of(closed, SHORE.subList(0, 2)))).containsExactly(new Lake.Body(SHORE, List.of()));
    }

    /** As many triangles as fit into a small file once took a minute of the processor. */
    @Test
    void refusesMoreRingsThanALakeHas() {
        List<List<Position>> triangles = new ArrayList<>();
        for (int i = 0; i <= Rings.MOST; i++) {
            double at = i / 1000.0;
            triangles.add(List.of(new Position(at, at), new Position(at, at + 1), new Position(at + 1, at)));
        }

        assertThatThrownBy(() -> Rings.bodies(triangles)).hasMessage("maps.too-many-rings[5001, 5000]");
    }
}
