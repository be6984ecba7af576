package lochan.mapfiles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import lochan.core.event.Position;
import mil.nga.grid.features.Point;
import mil.nga.mgrs.utm.UTM;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Projections against published numbers and against another library. */
class ProjectionTest {

    private static final double MILLIMETRE_DEGREES = 1e-8;
    private static final String CLARKE =
            "GEOGCS[\"GCS_North_American_1927\",DATUM[\"D_North_American_1927\",SPHEROID[\"Clarke_1866\",6378206.4,294.978698213898]],"
                    + "PRIMEM[\"Greenwich\",0],UNIT[\"Degree\",0.0174532925199433]]";

    /** Snyder 1987, "Map Projections – A Working Manual", USGS Professional Paper 1395, p. 296: to a decimetre. */
    @Test
    void lambertsConformalConicGivesSnydersExample() throws MapFileException {
        Projection lambert = Projection.ofText("PROJCS[\"example\"," + CLARKE
                + ",PROJECTION[\"Lambert_Conformal_Conic\"],PARAMETER[\"False_Easting\",0],PARAMETER[\"False_Northing\",0],"
                + "PARAMETER[\"Central_Meridian\",-96],PARAMETER[\"Standard_Parallel_1\",33],PARAMETER[\"Standard_Parallel_2\",45],"
                + "PARAMETER[\"Latitude_Of_Origin\",23],UNIT[\"Meter\",1]]");

        Position p = lambert.position(1_894_410.9, 1_564_649.5);

        assertThat(p.lat()).isCloseTo(35, within(1e-6));
        assertThat(p.lon()).isCloseTo(-75, within(1e-6));
        assertThat(lambert.isOldDatum()).isTrue();
    }

    /** Checks the same source's example on p. 269. */
    @Test
    void theTransverseMercatorGivesSnydersExample() throws MapFileException {
        Projection mercator = Projection.ofText(
                "PROJCS[\"example\"," + CLARKE
                        + ",PROJECTION[\"Transverse_Mercator\"],PARAMETER[\"False_Easting\",0],PARAMETER[\"False_Northing\",0],"
                        + "PARAMETER[\"Central_Meridian\",-75],PARAMETER[\"Scale_Factor\",0.9996],PARAMETER[\"Latitude_Of_Origin\",0],UNIT[\"Meter\",1]]");

        Position p = mercator.position(127_106.5, 4_484_124.4);

        assertThat(p.lat()).isCloseTo(40.5, within(1e-6));
        assertThat(p.lon()).isCloseTo(-73.5, within(1e-6));
    }

    /** Plane coordinates of a state in US survey feet: the same place as the same projection in metres, 1200/3937 of a foot. */
    @Test
    void statePlaneFeetAreFeet() throws MapFileException {
        String nad83 =
                "GEOGCS[\"GCS_North_American_1983\",DATUM[\"D_North_American_1983\",SPHEROID[\"GRS_1980\",6378137,298.257222101]],"
                        + "PRIMEM[\"Greenwich\",0],UNIT[\"Degree\",0.0174532925199433]]";
        String state =
                ",PROJECTION[\"Lambert_Conformal_Conic\"],PARAMETER[\"False_Easting\",%s],PARAMETER[\"False_Northing\",%s],"
                        + "PARAMETER[\"Central_Meridian\",-100.33333333333333],PARAMETER[\"Standard_Parallel_1\",30.11666666666667],"
                        + "PARAMETER[\"Standard_Parallel_2\",31.88333333333333],PARAMETER[\"Latitude_Of_Origin\",29.66666666666667],UNIT[%s]]";
        double foot = 1200.0 / 3937;
        Projection feet = Projection.ofText("PROJCS[\"NAD_1983_StatePlane_Texas_Central_FIPS_4203_Feet\"," + nad83
                + state.formatted("2296583.333333333", "9842500.0", "\"Foot_US\",0.3048006096012192"));
        Projection metres = Projection.ofText(
                "PROJCS[\"the same in metres\"," + nad83 + state.formatted("700000", "3000000", "\"Meter\",1"));

        Position inFeet = feet.position(3_100_000, 10_080_000);
        Position inMetres = metres.position(3_100_000 * foot, 10_080_000 * foot);

        assertThat(inFeet.lat()).isCloseTo(inMetres.lat(), within(MILLIMETRE_DEGREES));
        assertThat(inFeet.lon()).isCloseTo(inMetres.lon(), within(MILLIMETRE_DEGREES));
        assertThat(inFeet.lat()).isBetween(30.0, 30.6);
        assertThat(feet.isOldDatum()).isFalse();
        double[] back = feet.coordinates(inFeet);
        assertThat(back[0]).isCloseTo(3_100_000, within(0.001));
        assertThat(back[1]).isCloseTo(10_080_000, within(0.001));
    }

    /** Against the National Geospatial-Intelligence Agency's library, which computes UTM on its own. */
    @ParameterizedTest
    @CsvSource({"40.5,-99.2,UTM 14N", "35.25,-84.75,16n", "-33.4,150.1,UTM 56S", "61.5,24.0,EPSG:32635"})
    void utmIsThatOfAnotherLibrary(double lat, double lon, String typed) throws MapFileException {
        UTM utm = UTM.from(Point.point(lon, lat));

        Position p = Projection.typed(typed).position(utm.getEasting(), utm.getNorthing());

        assertThat(p.metresTo(new Position(lat, lon))).as("metres apart").isLessThan(0.05);
    }

    /** Web Mercator has a closed form: x = Rλ, y = R ln tan(π/4 + φ/2). */
    @Test
    void webMercatorHasItsClosedForm() throws MapFileException {
        double radius = 6_378_137;
        double y = radius * Math.log(Math.tan(Math.PI / 4 + Math.toRadians(38.7) / 2));

        Position p = Projection.typed("web mercator").position(radius * Math.toRadians(-90.3), y);

        assertThat(p.lat()).isCloseTo(38.7, within(MILLIMETRE_DEGREES));
        assertThat(p.lon()).isCloseTo(-90.3, within(MILLIMETRE_DEGREES));
    }

    @Test
    void whatIsNoCoordinateSystemIsSaidWithHowToWriteOne() {
        assertThatThrownBy(() -> Projection.typed("state plane"))
                .isInstanceOf(MapFileException.class)
                .hasMessageContaining("UTM 15N");
        assertThatThrownBy(() -> Projection.ofText("PROJCS[\"cut"))
                .isInstanceOf(MapFileException.class)
                .hasMessageContaining("choose it by hand");
        assertThatThrownBy(() -> Projection.typed("UTM 75N")).isInstanceOf(MapFileException.class);
    }
}
