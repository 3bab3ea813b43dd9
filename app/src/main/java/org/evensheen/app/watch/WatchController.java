package org.evensheen.app.watch;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** What open pages ask for in the background. */
@Controller
class WatchController {
    private final Watchers watchers;
    private final Clock clock;

    WatchController(Watchers watchers, Clock clock) {
        this.watchers = watchers;
        this.clock = clock;
    }

    /** Says so whenever a study has changed, whichever copy of the application changed it. */
    @GetMapping(path = "/studies/{id}/changes", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter changes(@PathVariable long id) {
        return watchers.watch(id);
    }

    /** The server's clock, ms. */
    @GetMapping("/now")
    ResponseEntity<String> now() {
        return ResponseEntity.ok().contentType(MediaType.TEXT_PLAIN).body(String.valueOf(clock.millis()));
    }

    /** The service worker stands at the root, as it may only look after what lies below it. */
    @GetMapping("/offline.js")
    ResponseEntity<ClassPathResource> offline() {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "javascript", StandardCharsets.UTF_8))
                .body(new ClassPathResource("static/assets/offline.js"));
    }
}
