package org.evensheen.app.answers;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.photos.PhotoStore;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.springframework.stereotype.Component;

/** Studies whose key is open can be published. */
@Component
class StudySubjects implements Subjects {
    private final StudyStore studies;
    private final Reporting reporting;
    private final PhotoStore photos;
    private final Clock clock;

    StudySubjects(StudyStore studies, Reporting reporting, PhotoStore photos, Clock clock) {
        this.studies = studies;
        this.reporting = reporting;
        this.photos = photos;
        this.clock = clock;
    }

    @Override
    public String under() {
        return "studies";
    }

    @Override
    public Publishing.Subject subject(Optional<Long> number, Map<String, String> sent) {
        long id = number.orElseThrow();
        Study study = studies.load(id);
        if (study.judgedByCode()) {
            throw new Closed(study);
        }
        String base = "/studies/" + id;
        return new Publishing.Subject(
                Matter.study(id),
                base,
                "",
                base + "/answer",
                study.question(),
                true,
                base + "/bundle",
                () -> photos.of(id).stream().map(this::photo).toList(),
                reader -> reporting.of(study, LocalDate.now(clock), reader));
    }

    private Publishing.Photo photo(PhotoStore.Listed p) {
        return new Publishing.Photo(
                p.id(),
                "/photos/%d/small.jpg".formatted(p.id()),
                "%s, day %d, %s"
                        .formatted(
                                p.section().orElse("the whole bed"),
                                p.day(),
                                p.look().stage().label()),
                p.note(),
                () -> photos.picture(p.id(), true));
    }
}
