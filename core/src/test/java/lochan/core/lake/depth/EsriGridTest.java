package lochan.core.lake.depth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EsriGridTest {

    private static final String GRID = """
            ncols 3
            nrows 2
            xllcorner 100
            yllcorner 200
            cellsize 10
            NODATA_value -1
            1.5 2 -1
            4 5 6
            """;

    private static DepthGrid read(String text) throws BadGridException {
        return EsriGrid.read(text.lines().iterator(), null);
    }

    @Test
    void readsRowsFromTheNorth() throws BadGridException {
        DepthGrid grid = read(GRID);

        assertThat(grid.depth(0)).isEqualTo(1.5f);
        assertThat(grid.isLand(2)).isTrue();
        assertThat(grid.x(0)).isEqualTo(105);
        assertThat(grid.y(0)).isEqualTo(215);
        assertThat(grid.depth(grid.cellAt(125, 205))).isEqualTo(6f);
        assertThat(grid.cellAt(99, 205)).isEqualTo(-1);
        assertThat(grid.areaM2(2, 5)).isEqualTo(300);
        assertThat(grid.deepest()).isEqualTo(6f);
    }

    @Test
    void middlesOfCellsAndDegreesAreUnderstood() throws BadGridException {
        assertThat(read(GRID.replace("xllcorner 100", "xllcenter 105")).x(0)).isEqualTo(105);
        DepthGrid degrees = read(GRID.replace("cellsize 10", "cellsize 0.0001")
                .replace("xllcorner 100", "xllcorner -117")
                .replace("200", "42.6"));
        assertThat(degrees.degrees()).isTrue();
        assertThat(degrees.heightM()).isCloseTo(11.1, within(0.05));
        assertThat(degrees.widthM()).isCloseTo(8.18, within(0.05));
        assertThat(read(GRID).degrees()).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "ncols 3 | ncols 3 4 | grids.header-line[1, ncols 3 4]",
                "ncols 3 | ncols three | grids.not-a-number[1, three]",
                "nrows 2 | nrows 2001 | grids.header-range[nrows, 2001.0, 2000]",
                "cellsize 10 | cellsize 0 | grids.cell-size[0.0]",
                "cellsize 10 | size 10 | grids.header-missing[cellsize]",
                "4 5 6 | 4 5 | grids.cut-off[5, 6]",
                "4 5 6 | 4 5 6 7 | grids.too-many-depths[8, 3, 2]",
                "4 5 6 | 4 five 6 | grids.not-a-number[8, five]",
                "4 5 6 | 4 5 1e9 | grids.depth-range[8, 1e9, 2000, -1.0]"
            })
    void refusesWhatIsNoGridAndSaysWhere(String right, String wrong, String message) {
        assertThatThrownBy(() -> read(GRID.replace(right, wrong)))
                .isInstanceOf(BadGridException.class)
                .hasMessageContaining(message);
    }

    @Test
    void refusesATextOfAnotherKind() {
        assertThatThrownBy(() -> read("{\"type\": \"FeatureCollection\"}"))
                .isInstanceOf(BadGridException.class)
                .hasMessageContaining("ncols");
        assertThatThrownBy(() -> read("")).isInstanceOf(BadGridException.class).hasMessageContaining("ncols");
    }
}
