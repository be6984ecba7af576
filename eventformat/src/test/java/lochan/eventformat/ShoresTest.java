package lochan.eventformat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import lochan.core.event.Boat;
import lochan.core.event.Position;
import lochan.core.lake.Lake;
import lochan.core.lake.LakeRuns;
import lochan.core.lake.Runs;
import org.junit.jupiter.api.Test;

class ShoresTest {

    private static final Position MIDDLE = new Position(42.6, -116.9);

    /** A ragged ring around a place. */
    private static List<Position> ring(Position around, double degrees, int corners, Random random) {
        List<Position> ring = new ArrayList<>();
        for (int i = 0; i < corners; i++) {
            double turn = 2 * Math.PI * i / corners;
            double far =
                    degrees * (1 + 0.4 * Math.sin(5 * turn) + 0.1 * Math.sin(23 * turn) + 0.004 * random.nextDouble());
            ring.add(new Position(around.lat() + far * Math.sin(turn), around.lon() + far * Math.cos(turn) / 0.73));
        }
        return ring;
    }

    private static Lake.Body lake(int corners) {
        Random random = new Random(corners);
        return new Lake.Body(
                ring(MIDDLE, 0.05, corners, random),
                List.of(
                        ring(new Position(42.61, -116.9), 0.002, corners / 10, random),
                        ring(new Position(42.59, -116.91), 0.0001, 5, random)));
    }

    @Test
    void smallLakesStayAsTheyAre() {
        List<Lake.Body> lake = List.of(lake(1000));
        assertThat(Shores.forPhone(lake)).isSameAs(lake);
    }

    @Test
    void largeLakesKeepTheirIslandsTheirShapeAndTheirRuns() {
        Lake.Body whole = lake(5000);
        Lake.Body simpler = Shores.forPhone(List.of(whole)).getFirst();

        assertThat(simpler.rings().stream().mapToInt(List::size).sum()).isBetween(500, Shores.MOST_CORNERS);
        assertThat(simpler.islands()).hasSize(2).allMatch(island -> island.size() >= 3);
        Random random = new Random(1);
        int apart = 0;
        for (int i = 0; i < 2000; i++) {
            Position p = new Position(42.53 + 0.14 * random.nextDouble(), -117 + 0.2 * random.nextDouble());
            apart += whole.holds(p) == simpler.holds(p) ? 0 : 1;
        }
        assertThat(apart)
                .as("places that are water in one and land in the other")
                .isLessThan(10);
        Runs before = runs(whole);
        Runs after = runs(simpler);
        Position from = new Position(42.64, -116.9);
        for (Position to :
                List.of(new Position(42.57, -116.93), new Position(42.58, -116.87), new Position(42.61, -116.95))) {
            double metres = before.between(from, to).orElseThrow().metres();
            assertThat(after.between(from, to).orElseThrow().metres()).isCloseTo(metres, within(0.01 * metres));
        }
    }

    private static Runs runs(Lake.Body body) {
        return new LakeRuns(new Lake(List.of(body), List.of()), new Boat(15, 20, 2, null, null));
    }
}
