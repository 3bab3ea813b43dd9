package org.evensheen.app.readings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Missing;
import org.evensheen.app.page.Refused;
import org.evensheen.app.readings.ReadingController.Sent;
import org.evensheen.app.studies.TypedEntry;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/**
 * Keeps readings that a device sends from its queue. Nothing but the reading is looked at, so that many devices can write at once; a
 * reading that was sent before is acknowledged again and kept once.
 */
@Controller
class CaptureController {
    private final ReadingStore store;
    private final Clock clock;
    private final Cache<Long, ReadingStore.Begun> begun =
            Caffeine.newBuilder().maximumSize(2000).build();

    CaptureController(ReadingStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** That it is kept. */
    record Kept(String said, long now) {}

    @PostMapping("/studies/{id}/capture")
    ResponseEntity<?> keep(@PathVariable long id, Sent asked, HttpServletRequest request) {
        Sent sent = asked.whole();
        Measure measure = Measures.ofCode(sent.measure())
                .filter(m -> m.readAs() == m)
                .orElseThrow(() -> new Refused("There is no measure called “%s”.".formatted(sent.measure())));
        if (sent.repeat() < 1 || sent.repeat() > 99) {
            throw new Refused("Repeats run from 1 to 99.");
        }
        ReadingStore.Begun study = begun(id);
        Look look = Look.ofCode(sent.stage())
                .filter(l -> study.course().stages().contains(l.stage()))
                .orElseThrow(() -> new Refused("This study has no stage called “%s”.".formatted(sent.stage())));
        int today = (int) ChronoUnit.DAYS.between(study.firstDay(), LocalDate.now(clock));
        if (sent.day() < 0 || sent.day() > today) {
            throw new Refused("Day %d is not between the first day and today, day %d.".formatted(sent.day(), today));
        }
        TypedEntry typed = ReadingController.typed(measure, request, "");
        Reading reading = new Reading(
                sent.section(),
                new Occasion(sent.day(), look),
                sent.repeat(),
                typed.observation().orElseThrow(() -> new Refused(typed.problem())));
        ReadingStore.Outcome outcome =
                store.keep(id, reading, sent.key(), Hands.of(request), Optional.ofNullable(sent.take()));
        if (outcome == ReadingStore.Outcome.DONE) {
            return ResponseEntity.ok(new Kept(
                    "Kept: %s %d on %s, %s."
                            .formatted(measure.words().one(), sent.repeat(), sent.section(), figure(reading)),
                    clock.millis()));
        }
        return taken(id, reading, figure(reading));
    }

    private ResponseEntity<ProblemDetail> taken(long id, Reading reading, String mine) {
        ReadingStore.Standing there = store.standing(id, reading)
                .orElseThrow(() -> new Refused("There is no section %s in this study. The reading was %s."
                        .formatted(reading.section(), mine)));
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.CONFLICT,
                "%s on %s, repeat %d, already holds %s, kept by %s. Yours, %s, is still here: keep it as repeat %d, or let it go."
                        .formatted(
                                reading.measure().label(),
                                reading.section(),
                                reading.repeat(),
                                there.what(),
                                there.by(),
                                mine,
                                there.free()));
        problem.setTitle("Somebody was here first");
        problem.setProperty("repeat", there.free());
        return ResponseEntity.status(HttpStatus.CONFLICT).body(problem);
    }

    private ReadingStore.Begun begun(long id) {
        return begun.get(
                id,
                study -> store.begun(study)
                        .orElseThrow(() ->
                                new Missing("There is no study " + study + ". The list of studies has them all.")));
    }

    private static String figure(Reading reading) {
        return Figures.seen(reading.seen());
    }
}
