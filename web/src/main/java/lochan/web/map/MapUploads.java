package lochan.web.map;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Optional;
import lochan.web.eventbook.EventKey;
import org.springframework.stereotype.Service;

/** Files that anglers look at before anything of them is kept: one for each event, forgotten after an hour. */
@Service
class MapUploads {

    private static final int MOST = 6;
    private static final Duration KEPT = Duration.ofHours(1);

    private final Cache<EventKey, Upload> uploads =
            Caffeine.newBuilder().maximumSize(MOST).expireAfterWrite(KEPT).build();

    /** @param name of the file */
    record Upload(String name, byte[] content) {}

    void put(EventKey key, Upload upload) {
        uploads.put(key, upload);
    }

    Optional<Upload> of(EventKey key) {
        return Optional.ofNullable(uploads.getIfPresent(key));
    }

    void drop(EventKey key) {
        uploads.invalidate(key);
    }
}
