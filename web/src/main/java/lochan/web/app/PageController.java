package lochan.web.app;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import lochan.web.clock.DemoClock;
import lochan.web.clock.DemoMoments;
import lochan.web.shared.NotThereException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** What belongs to no feature: the theme of the pages, the demo's clock, the sign of life. */
@Controller
class PageController {

    private static final Duration THEME_LASTS = Duration.ofDays(365);

    private final Clock clock;

    PageController(Clock clock) {
        this.clock = clock;
    }

    @GetMapping("/alive")
    @ResponseBody
    String alive() {
        return "alive";
    }

    @PostMapping("/theme")
    ResponseEntity<Void> theme(
            @RequestParam String theme,
            @RequestParam(defaultValue = "/events") String back,
            HttpServletRequest request) {
        ResponseCookie cookie = ResponseCookie.from("theme", theme.equals("dark") ? "dark" : "light")
                .path("/")
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Lax")
                .maxAge(THEME_LASTS)
                .build();
        return ResponseEntity.status(303)
                .header(HttpHeaders.SET_COOKIE, cookie.toString())
                .header(HttpHeaders.LOCATION, local(back))
                .build();
    }

    @PostMapping("/demo/clock")
    String setClock(@RequestParam DemoMoments moment, @RequestParam(defaultValue = "/events") String back) {
        if (!(clock instanceof DemoClock demo)) {
            throw new NotThereException();
        }
        demo.set(moment.instant());
        return "redirect:" + local(back);
    }

    /** A path of this application; anything else becomes the list of events. */
    private static String local(String path) {
        return path.matches("/[A-Za-z0-9][^\\\\\\r\\n]*") ? path : "/events";
    }
}
