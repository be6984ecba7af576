package lochan.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class DiskSpaceTest {

    @Test
    void aFullDiskIsToldFromOtherTroubles() {
        assertThat(DiskSpace.isMissing(new IllegalStateException(new IOException("write failed: No space left on device")))).isTrue();
        assertThat(DiskSpace.isMissing(new IOException("Permission denied"))).isFalse();
        assertThat(DiskSpace.isMissing(new IOException((String) null))).isFalse();
        assertThat(DiskSpace.words(Path.of("/data"))).isEqualTo("The disk that holds /data is full: make room there, or choose a folder elsewhere with LOCHAN_HOME, and start again.");
    }
}
