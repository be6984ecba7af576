package lochan.eventformat.gpx;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import lochan.core.practice.track.Fix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GpxTrackTest {

    private static final String GPX = """
            <?xml version="1.0"?>
            <gpx xmlns="http://www.topografix.com/GPX/1/1" version="1.1"><metadata><time>2020-01-01T00:00:00Z</time></metadata>
            <wpt lat="1" lon="1"><time>2020-01-01T00:00:00Z</time></wpt>
            <trk><trkseg><trkpt lat="42.6" lon="-116.9"><ele>700</ele><time>2027-06-03T05:30:00-06:00</time></trkpt></trkseg>
            <trkseg><trkpt lat="42.7" lon="-116.9"></trkpt><trkpt lat="42.8" lon="-116.9"><time>2027-06-03T11:30:01.500Z</time></trkpt></trkseg></trk></gpx>
            """;

    private static List<Fix> read(String text) throws GpxException {
        return GpxTrack.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void readsTrackPointsWithATimeAndNothingElse() throws GpxException {
        assertThat(read(GPX))
                .extracting(Fix::at)
                .containsExactly(Instant.parse("2027-06-03T11:30:00Z"), Instant.parse("2027-06-03T11:30:01.500Z"));
        assertThat(read(GPX)).extracting(f -> f.position().lat()).containsExactly(42.6, 42.8);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "<?xml version=\"1.0\"?> | <!DOCTYPE gpx SYSTEM \"http://localhost/x.dtd\"> | document type",
                "<?xml version=\"1.0\"?> | <!DOCTYPE lolz [<!ENTITY a \"aaaa\"><!ENTITY b \"&a;&a;&a;\">]> | document type",
                "11:30:01.500Z | 11:29:00Z | time runs backwards",
                "lat=\"42.8\" | lat=\"142.8\" | expected degrees",
                "lat=\"42.8\" | lot=\"42.8\" | expected degrees",
                "2027-06-03T05:30:00-06:00 | this morning | expected one as",
                "</trkseg></trk></gpx> | </trkseg> | no whole XML",
                "trkpt | rtept | no track point with a time"
            })
    void refusesHostileAndBrokenFilesAndSaysWhy(String right, String wrong, String message) {
        String broken = GPX.replace(right, wrong);
        assertThat(broken).isNotEqualTo(GPX);

        assertThatThrownBy(() -> read(broken)).isInstanceOf(GpxException.class).hasMessageContaining(message);
    }

    @Test
    void refusesOtherKindsOfFiles() {
        assertThatThrownBy(() -> read("")).isInstanceOf(GpxException.class);
        assertThatThrownBy(() -> read("{}")).isInstanceOf(GpxException.class);
        assertThatThrownBy(() -> read("<html></html>"))
                .isInstanceOf(GpxException.class)
                .hasMessageContaining("no GPX");
    }
}
