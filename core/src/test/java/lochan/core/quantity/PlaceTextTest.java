package lochan.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import lochan.core.event.Position;
import net.sf.geographiclib.Geodesic;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PlaceTextTest {

    private static final Position BOAT = new Position(42.6, -116.9);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "42.63020, -116.91050 | 42.6302 | -116.9105", "42.6302 -116.9105 | 42.6302 | -116.9105",
                        "42 37.812 N, 116 54.63 W | 42.6302 | -116.9105",
                "N42°37.812' W116°54.630' | 42.6302 | -116.9105", "42°37'48.72\"N 116°54'37.8\"W | 42.6302 | -116.9105",
                        "42.6302 n; 116.9105 w | 42.6302 | -116.9105",
                "33 51.0 S, 151 12.0 E | -33.85 | 151.2"
            })
    void readsPositionsAsPlottersAndPeopleWriteThem(String typed, double lat, double lon) throws BadQuantityException {
        assertThat(PositionText.read(typed).lat()).isCloseTo(lat, within(1e-7));
        assertThat(PositionText.read(typed).lon()).isCloseTo(lon, within(1e-7));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "42.6",
                "north, west",
                "91, 0",
                "42 61.0 N, 116 54 W",
                "116 54 W, 42 37 N",
                "42 37 W, 116 54 N",
                "42.6302 -116.9105 5"
            })
    void refusesWhatIsNoPosition(String typed) {
        assertThatThrownBy(() -> PositionText.read(typed))
                .isInstanceOf(BadQuantityException.class)
                .hasMessageStartingWith("quantities.");
    }

    /** On the central meridian of a zone the northing is 0.9996 of the meridian's arc, which the geodesic gives (Karney 2013). */
    @ParameterizedTest
    @CsvSource({"42.612, 11T", "33.2, 11S", "0.5, 11N", "-33.85, 11H", "-33.85, 11S"})
    void readsUtmOnTheCentralMeridian(double lat, String zone) throws BadQuantityException {
        double arc = 0.9996 * Geodesic.WGS84.Inverse(0, -117, lat, -117).s12;
        Position read = PositionText.read(zone + " 500000 " + (lat < 0 ? 1e7 - arc : arc));

        assertThat(read.lat()).isCloseTo(lat, within(1e-6));
        assertThat(read.lon()).isCloseTo(-117, within(1e-6));
    }

    /** Away from it lengths grow by 0.9996·(1 + x²/2R²), x being metres from the meridian (Snyder 1987, eq. 8-11 to second order). */
    @ParameterizedTest
    @ValueSource(ints = {320_000, 500_000, 610_000, 700_000})
    void lengthsInUtmAreThoseOnTheGroundByItsScale(int easting) throws BadQuantityException {
        Position west = PositionText.read("11 T " + (easting - 500) + "mE " + 4_717_900 + "mN");
        Position east = PositionText.read("11T " + (easting + 500) + ", " + 4_717_900);
        double scale = 0.9996 * (1 + Math.pow((easting - 500_000) / 6_378_000.0, 2) / 2);

        assertThat(Geodesic.WGS84.Inverse(west.lat(), west.lon(), east.lat(), east.lon()).s12 * scale)
                .isCloseTo(1000, within(0.02));
    }

    @ParameterizedTest
    @ValueSource(strings = {"11TNH0800017900", "11T NH 08000 17900", "11t nh 0800 1790"})
    void readsMgrsAsThePlaceInItsSquare(String typed) throws BadQuantityException {
        Position utm = PositionText.read("11T 508000 4717900");

        assertThat(PositionText.read(typed).metresTo(utm)).isLessThan(1);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "11T 508000 12345678",
                "61T 508000 4717900",
                "11T MH 080 1790",
                "11T 5080 4717900",
                "11TII0800017900"
            })
    void refusesWhatIsNoUtm(String typed) {
        assertThatThrownBy(() -> PositionText.read(typed))
                .isInstanceOf(BadQuantityException.class)
                .hasMessageStartingWith("quantities.");
    }

    @ParameterizedTest
    @CsvSource({"SW, 225, SW", "nnw, 337.5, NNW", "240, 240, WSW", "0, 0, N", "355 deg, 355, N"})
    void readsDirections(String typed, double degrees, String words) throws BadQuantityException {
        assertThat(DirectionText.read(typed, Units.USUAL)).isEqualTo(degrees);
        assertThat(DirectionText.words(degrees)).isEqualTo(words);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "north by west", "361", "-5", "NaN"})
    void refusesWhatIsNoDirection(String typed) {
        assertThatThrownBy(() -> DirectionText.read(typed, Units.USUAL)).isInstanceOf(BadQuantityException.class);
    }

    /** Heading east: left is north, 2 o'clock is 150°. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "left side, 90 ft | 0 | 27.432", "left 90 | 0 | 27.432", "on the right, 20 m | 180 | 20",
                        "2 o'clock, 70 ft | 150 | 21.336", "12 o'clock 100 ft | 90 | 30.48",
                "10:30 o'clock, 100 ft | 45 | 30.48", "bearing 240, 300 ft | 240 | 91.44", "240, 100 yd | 240 | 91.44",
                        "astern 15 m | 270 | 15", "straight ahead 50 m | 90 | 50"
            })
    void aSpotLiesWhereItIsSeenFromTheBoat(String typed, double azimuth, double metres) throws BadQuantityException {
        Position waypoint = WaypointText.read(typed, Units.USUAL).from(BOAT, 90);
        double north = (waypoint.lat() - BOAT.lat()) * 111_085;
        double east = (waypoint.lon() - BOAT.lon()) * 82_082;

        assertThat(north).isCloseTo(metres * Math.cos(Math.toRadians(azimuth)), within(0.02 + 0.002 * metres));
        assertThat(east).isCloseTo(metres * Math.sin(Math.toRadians(azimuth)), within(0.02 + 0.002 * metres));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "over there",
                "13 o'clock, 70 ft",
                "bearing 400, 10 ft",
                "left",
                "left, far",
                "left, 5000 m",
                "left, 0 ft"
            })
    void refusesWhatTellsNoPlace(String typed) {
        assertThatThrownBy(() -> WaypointText.read(typed, Units.USUAL)).isInstanceOf(BadQuantityException.class);
    }
}
