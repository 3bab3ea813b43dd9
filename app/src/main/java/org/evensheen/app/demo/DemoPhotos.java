package org.evensheen.app.demo;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.evensheen.app.photos.PhotoStore;
import org.evensheen.app.pictures.Picture;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.standins.SimulatedBed;
import org.evensheen.standins.SimulatedCamera;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Photos of two sections of the demo's flank, taken by the simulated camera at some of its visits. */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoPhotos {
    private static final int ESTUARY_GREEN = 0x3f5f57;
    /** Of so many visits the first and the last are seen. */
    private static final int VISITS = 4;

    private final PhotoStore store;
    private final Clock clock;

    DemoPhotos(PhotoStore store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** Begins to take the photos of a study, beside whatever else is loaded; what it gives keeps them once they are there. */
    Runnable begin(long study, DemoWorld.Told told, StudyRecord record) {
        if (told.unreadToday() == 0) {
            return () -> {};
        }
        SimulatedBed bed = new SimulatedBed(
                record,
                told.paint(),
                told.coatings(),
                told.freshDay(),
                told.draft().seed());
        List<Occasion> all = record.plan().visits().stream()
                .filter(v -> v.day() < told.today() && !told.skipped().contains(v.day()) && v.day() % 14 <= 2)
                .limit(VISITS)
                .toList();
        List<Occasion> visits = all.size() < 2 ? all : List.of(all.get(0), all.get(all.size() - 1));
        List<Shot> shots = record.sections().subList(0, 2).stream()
                .flatMap(section -> visits.stream().map(visit -> new Shot(section, visit)))
                .toList();
        CompletableFuture<List<PhotoStore.Draft>> taken = CompletableFuture.supplyAsync(() -> shots.stream()
                .map(shot -> taken(study, told, record, bed, shot.section, shot.visit))
                .toList());
        return () -> taken.join().forEach(store::keep);
    }

    /** A photo to take. */
    private record Shot(Section section, Occasion visit) {}

    private PhotoStore.Draft taken(
            long study, DemoWorld.Told told, StudyRecord record, SimulatedBed bed, Section section, Occasion visit) {
        double angle = bed.truth(record.contenderOn(section), visit, Measures.DROP);
        String name = "photo %d %s %d".formatted(told.draft().seed(), section.code(), visit.day());
        byte[] shot = SimulatedCamera.jpeg(angle, ESTUARY_GREEN, name.hashCode());
        try {
            return new PhotoStore.Draft(
                    study,
                    Optional.of(section.code()),
                    visit,
                    "",
                    Picture.of(() -> shot),
                    told.draft()
                            .firstDay()
                            .plusDays(visit.day())
                            .atTime(LocalTime.NOON)
                            .atZone(clock.getZone())
                            .toInstant(),
                    UUID.nameUUIDFromBytes((study + name).getBytes(StandardCharsets.UTF_8)),
                    "Demo");
        } catch (Picture.Unfit | IOException e) {
            throw new IllegalStateException("the simulated camera takes photos", e);
        }
    }
}
