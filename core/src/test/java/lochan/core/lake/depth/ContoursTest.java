package lochan.core.lake.depth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ContoursTest {

    private static double[] cone(int side, double middle) {
        double[] values = new double[side * side];
        for (int i = 0; i < values.length; i++) {
            values[i] = Math.hypot(i % side - middle, i / side - middle);
        }
        return values;
    }

    @ParameterizedTest
    @ValueSource(doubles = {3.5, 7, 12.25})
    void aConesLineIsItsCircle(double radius) {
        List<double[][]> lines = Contours.of(cone(31, 15), 31, radius);

        assertThat(lines).hasSize(1);
        double[][] ring = lines.getFirst();
        assertThat(ring[0]).isEqualTo(ring[ring.length - 1]);
        assertThat(List.of(ring))
                .allSatisfy(p -> assertThat(Math.hypot(p[0] - 15, p[1] - 15)).isCloseTo(radius, within(0.06)));
        double area = 0;
        for (int i = 1; i < ring.length; i++) {
            area += (ring[i - 1][0] * ring[i][1] - ring[i][0] * ring[i - 1][1]) / 2;
        }
        assertThat(Math.abs(area)).isCloseTo(Math.PI * radius * radius, within(0.03 * Math.PI * radius * radius));
    }

    @Test
    void aLineThatLeavesTheGridIsOpen() {
        List<double[][]> lines = Contours.of(cone(21, 0), 21, 10);

        assertThat(lines).hasSize(1);
        assertThat(lines.getFirst()[0]).isNotEqualTo(lines.getFirst()[lines.getFirst().length - 1]);
    }

    @Test
    void aLevelNobodyReachesHasNoLine() {
        assertThat(Contours.of(cone(21, 10), 21, 99)).isEmpty();
    }

    @Test
    void aSaddleSquareIsCrossedTwice() {
        assertThat(Contours.of(new double[] {2, 0, 0, 2}, 2, 1.5)).hasSize(2);
        assertThat(Contours.of(new double[] {0, 2, 2, 0}, 2, 0.5)).hasSize(2);
    }
}
