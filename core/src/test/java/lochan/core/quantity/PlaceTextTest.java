package lochan.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import lochan.core.event.Position;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PlaceTextTest {

    private static final Position BOAT = new Position(42.6, -116.9);

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "42.63020, -116.91050 | 42.6302 | -116.9105", "42.6302 -116.9105 | 42.6302 | -116.9105", "42 37.812 N, 116 54.63 W | 42.6302 | -116.9105",
        "N42°37.812' W116°54.630' | 42.6302 | -116.9105", "42°37'48.72\"N 116°54'37.8\"W | 42.6302 | -116.9105", "42.6302 n; 116.9105 w | 42.6302 | -116.9105",
        "33 51.0 S, 151 12.0 E | -33.85 | 151.2"})
    void readsPositionsAsPlottersAndPeopleWriteThem(String typed, double lat, double lon) throws BadQuantityException {
        assertThat(PositionText.read(typed).lat()).isCloseTo(lat, within(1e-7));
        assertThat(PositionText.read(typed).lon()).isCloseTo(lon, within(1e-7));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "42.6", "north, west", "91, 0", "42 61.0 N, 116 54 W", "116 54 W, 42 37 N", "42 37 W, 116 54 N", "42.6302 -116.9105 5"})
    void refusesWhatIsNoPosition(String typed) {
        assertThatThrownBy(() -> PositionText.read(typed)).isInstanceOf(BadQuantityException.class).hasMessageContaining("is no position");
    }

    /** Heading east: left is north, 2 o'clock is 150°. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "left side, 90 ft | 0 | 27.432", "left 90 | 0 | 27.432", "on the right, 20 m | 180 | 20", "2 o'clock, 70 ft | 150 | 21.336", "12 o'clock 100 ft | 90 | 30.48",
        "10:30 o'clock, 100 ft | 45 | 30.48", "bearing 240, 300 ft | 240 | 91.44", "240, 100 yd | 240 | 91.44", "astern 15 m | 270 | 15", "straight ahead 50 m | 90 | 50"})
    void aMarkLiesWhereItIsSeenFromTheBoat(String typed, double azimuth, double metres) throws BadQuantityException {
        Position mark = MarkText.read(typed, Units.USUAL).from(BOAT, 90);
        double north = (mark.lat() - BOAT.lat()) * 111_085;
        double east = (mark.lon() - BOAT.lon()) * 82_082;

        assertThat(north).isCloseTo(metres * Math.cos(Math.toRadians(azimuth)), within(0.02 + 0.002 * metres));
        assertThat(east).isCloseTo(metres * Math.sin(Math.toRadians(azimuth)), within(0.02 + 0.002 * metres));
    }

    @ParameterizedTest
    @ValueSource(strings = {"over there", "13 o'clock, 70 ft", "bearing 400, 10 ft", "left", "left, far", "left, 5000 m", "left, 0 ft"})
    void refusesWhatTellsNoPlace(String typed) {
        assertThatThrownBy(() -> MarkText.read(typed, Units.USUAL)).isInstanceOf(BadQuantityException.class);
    }
}
