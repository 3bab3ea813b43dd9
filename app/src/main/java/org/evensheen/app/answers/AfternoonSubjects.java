package org.evensheen.app.answers;

import java.util.Map;
import java.util.Optional;
import org.evensheen.app.sidebyside.Telling;
import org.evensheen.app.sidebyside.Tellings;
import org.springframework.stereotype.Component;

/** Afternoons can be published. */
@Component
class AfternoonSubjects implements Subjects {
    private final Tellings tellings;
    private final AfternoonReporting reporting;

    AfternoonSubjects(Tellings tellings, AfternoonReporting reporting) {
        this.tellings = tellings;
        this.reporting = reporting;
    }

    @Override
    public String under() {
        return "compare";
    }

    @Override
    public Publishing.Subject subject(Optional<Long> number, Map<String, String> sent) {
        long id = number.orElseThrow();
        Telling told = tellings.of(id);
        String base = "/compare/" + id;
        return new Publishing.Subject(
                EditionStore.Of.comparison(id),
                base,
                "",
                base + "/sheet",
                told.question(),
                false,
                base + "/bundle.zip",
                () -> told.photos().stream().map(this::photo).toList(),
                reader -> reporting.of(told));
    }

    private Publishing.Photo photo(Telling.Photo p) {
        return new Publishing.Photo(
                p.id(), "/compare/photos/%d/small.jpg".formatted(p.id()), p.what(), "", () -> tellings.picture(p.id()));
    }
}
