package lochan.web.lake;

import java.time.Duration;
import lochan.web.eventbook.EventBook;
import lochan.web.eventbook.EventKey;
import lochan.web.shared.NotThereException;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Hands the browser what it draws maps from. */
@Controller
class MapSheetController {

    private static final Duration KEPT = Duration.ofDays(30);

    private final MapSheets sheets;
    private final EventBook events;

    MapSheetController(MapSheets sheets, EventBook events) {
        this.sheets = sheets;
        this.events = events;
    }

    @GetMapping("/events/{eventId}/map/sheet")
    ResponseEntity<byte[]> sheet(EventKey key) {
        return answer(MediaType.APPLICATION_JSON, CacheControl.noCache(), sheets.sheet(key, events.outline(key)));
    }

    /** @param of what tells these depths from others, so that the browser may keep them */
    @GetMapping("/events/{eventId}/map/cells")
    ResponseEntity<byte[]> cells(EventKey key, @RequestParam String of, @RequestParam int level) {
        return answer(
                MediaType.APPLICATION_OCTET_STREAM,
                CacheControl.maxAge(KEPT).cachePrivate(),
                sheets.cells(key, of, level).orElseThrow(NotThereException::new));
    }

    private static ResponseEntity<byte[]> answer(MediaType type, CacheControl cache, byte[] compressed) {
        return ResponseEntity.ok()
                .contentType(type)
                .cacheControl(cache)
                .header(HttpHeaders.CONTENT_ENCODING, "gzip")
                .body(compressed);
    }
}
