package lochan.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DiskSpaceTest {

    @Test
    void aFullDiskIsToldFromOtherTroubles() {
        assertThat(DiskSpace.isMissing(
                        new IllegalStateException(new IOException("write failed: No space left on device"))))
                .isTrue();
        assertThat(DiskSpace.isMissing(new IOException("Permission denied"))).isFalse();
        assertThat(DiskSpace.isMissing(new IOException((String) null))).isFalse();
        assertThat(DiskSpace.words(Path.of("/data")))
                .isEqualTo(
                        "The disk that holds /data is full: make room there, or choose a folder elsewhere with LOCHAN_HOME, and start again.");
    }

    @Test
    void whatMariaDbSaysOfItIsUnderstood(@TempDir Path folder) throws IOException {
        Path log = folder.resolve("log");
        assertThat(DiskSpace.isMissing(folder, log))
                .as("no log, and room enough")
                .isFalse();
        Files.writeString(
                log,
                "0 [ERROR] InnoDB: preallocating 100663296 bytes for file ./ib_logfile101 failed with error 28\n0 [ERROR] Aborting\n");
        assertThat(DiskSpace.isMissing(folder, log)).isTrue();
        Files.writeString(log, "0 [ERROR] Can't open the file (errno: 13 \"Permission denied\"), error 286\n");
        assertThat(DiskSpace.isMissing(folder, log)).isFalse();
    }
}
