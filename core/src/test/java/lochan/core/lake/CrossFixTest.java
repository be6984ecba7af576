package lochan.core.lake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import lochan.core.event.Position;
import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicData;
import org.junit.jupiter.api.Test;

/** Bearings and ranges are made by geodesics on the ellipsoid, from a place that is then to be found. */
class CrossFixTest {

    private static final Position BOAT = new Position(44.2, -88.5);

    private static Position at(Position from, double deg, double metres) {
        GeodesicData end = Geodesic.WGS84.Direct(from.lat(), from.lon(), deg, metres);
        return new Position(end.lat2, end.lon2);
    }

    private static GeodesicData to(Position from, Position to) {
        return Geodesic.WGS84.Inverse(from.lat(), from.lon(), to.lat(), to.lon());
    }

    @Test
    void aPlaceIsFoundByTwoBearingsAndByTwoRanges() {
        SplittableRandom random = new SplittableRandom(1);
        for (int i = 0; i < 200; i++) {
            double towards = random.nextDouble(360);
            Position place = at(BOAT, towards, random.nextDouble(50, 1500));
            double turn = random.nextDouble(40, 140);
            Position second = at(BOAT, towards + (i % 2 == 0 ? turn : -turn), random.nextDouble(100, 600));
            GeodesicData one = to(BOAT, place);
            GeodesicData other = to(second, place);

            assertThat(CrossFix.ofRanges(BOAT, one.s12, second, other.s12, i % 2 == 0))
                    .hasValueSatisfying(p -> assertThat(p.metresTo(place)).isLessThan(1));
            double crossing = Math.abs(Math.IEEEremainder(one.azi1 - other.azi1, 180));
            if (crossing > CrossFix.LEAST_ANGLE_DEG + 1) {
                assertThat(CrossFix.ofBearings(BOAT, one.azi1, second, other.azi1))
                        .hasValueSatisfying(p -> assertThat(p.metresTo(place)).isLessThan(1));
            }
        }
    }

    @Test
    void whatDoesNotMeetIsNoPlace() {
        Position east = at(BOAT, 90, 300);

        assertThat(CrossFix.ofBearings(BOAT, 10, east, 12)).as("nearly along").isEmpty();
        assertThat(CrossFix.ofBearings(BOAT, 200, east, 340))
                .as("behind one of them")
                .isEmpty();
        assertThat(CrossFix.ofRanges(BOAT, 100, east, 100, true))
                .as("too short")
                .isEmpty();
        assertThat(CrossFix.ofRanges(BOAT, 900, east, 100, true))
                .as("one in the other")
                .isEmpty();
    }
}
