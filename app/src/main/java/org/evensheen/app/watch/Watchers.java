package org.evensheen.app.watch;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Open pages that want to know when their study changes. While anybody watches, the revisions of the watched studies are looked up twice
 * a second in one statement; so a change by another copy is seen too, and a database that was away is simply asked again.
 */
@Component
class Watchers {
    private static final Logger LOG = LoggerFactory.getLogger(Watchers.class);
    private static final long EVERY = 500;
    /** A line is kept open by a word now and then; one that is dead is found out by it. */
    private static final int ROUNDS_PER_WORD = 30;

    private final RevisionStore store;
    private final Map<Long, CopyOnWriteArrayList<SseEmitter>> watching = new ConcurrentHashMap<>();
    private final Map<Long, Long> seen = new ConcurrentHashMap<>();
    private final ScheduledExecutorService rounds = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "watchers");
        thread.setDaemon(true);
        return thread;
    });
    private int round;

    Watchers(RevisionStore store) {
        this.store = store;
        rounds.scheduleWithFixedDelay(this::look, EVERY, EVERY, TimeUnit.MILLISECONDS);
    }

    SseEmitter watch(long study) {
        SseEmitter emitter = new SseEmitter(0L);
        Runnable gone =
                () -> watching.getOrDefault(study, new CopyOnWriteArrayList<>()).remove(emitter);
        emitter.onCompletion(gone);
        emitter.onTimeout(gone);
        emitter.onError(e -> gone.run());
        watching.computeIfAbsent(study, s -> new CopyOnWriteArrayList<>()).add(emitter);
        Long known = seen.get(study);
        if (known != null) {
            tell(study, emitter, known);
        }
        return emitter;
    }

    private void look() {
        try {
            watching.values().removeIf(CopyOnWriteArrayList::isEmpty);
            Set<Long> studies = watching.keySet();
            seen.keySet().retainAll(studies);
            if (studies.isEmpty()) {
                return;
            }
            boolean word = ++round % ROUNDS_PER_WORD == 0;
            store.revisions(studies).forEach((study, revision) -> {
                boolean changed = !revision.equals(seen.put(study, revision));
                if (changed || word) {
                    watching.getOrDefault(study, new CopyOnWriteArrayList<>())
                            .forEach(emitter -> tell(study, emitter, revision));
                }
            });
        } catch (RuntimeException e) {
            LOG.debug("Nothing to be seen just now", e);
        }
    }

    private void tell(long study, SseEmitter emitter, long revision) {
        try {
            emitter.send(SseEmitter.event().name("revision").data(revision));
        } catch (IOException | IllegalStateException e) {
            watching.getOrDefault(study, new CopyOnWriteArrayList<>()).remove(emitter);
        }
    }

    @PreDestroy
    void close() {
        rounds.shutdownNow();
        watching.values().forEach(all -> all.forEach(SseEmitter::complete));
    }
}
