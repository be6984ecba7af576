package lochan.web.map;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.RemovalCause;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;
import lochan.mapfiles.Source;
import lochan.web.eventbook.EventKey;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.web.multipart.MultipartFile;

/** Files that anglers look at before anything of them is kept: one for each event, on the disk, forgotten after an hour. */
@Service
class MapUploads {

    private static final int MOST = 6;
    private static final Duration KEPT = Duration.ofHours(1);

    private final Cache<EventKey, Upload> uploads = Caffeine.newBuilder()
            .maximumSize(MOST)
            .expireAfterWrite(KEPT)
            .executor(Runnable::run)
            .removalListener(MapUploads::forget)
            .build();

    /** @param name of the file */
    record Upload(String name, Path file) {

        Source source() {
            try {
                return Source.of(name, file);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Keeps a file that was sent. */
    Upload put(EventKey key, String name, MultipartFile sent) throws IOException {
        Path file = fresh();
        sent.transferTo(file);
        return put(key, new Upload(name, file));
    }

    /** Keeps a file that was made here. */
    Upload put(EventKey key, String name, byte[] content) throws IOException {
        return put(key, new Upload(name, Files.write(fresh(), content)));
    }

    private Upload put(EventKey key, Upload upload) {
        uploads.put(key, upload);
        return upload;
    }

    /** In the folder of temporary files, which is emptied when Lochan starts. */
    private static Path fresh() throws IOException {
        return Files.createTempFile("lochan-upload", ".part");
    }

    private static void forget(@Nullable EventKey key, @Nullable Upload upload, RemovalCause why) {
        if (upload != null) {
            upload.file().toFile().delete();
        }
    }

    Optional<Upload> of(EventKey key) {
        return Optional.ofNullable(uploads.getIfPresent(key));
    }

    void drop(EventKey key) {
        uploads.invalidate(key);
    }

    @PreDestroy
    void close() {
        uploads.invalidateAll();
    }
}
