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
    private final OverruledStore overruled;

    AfternoonSubjects(Tellings tellings, AfternoonReporting reporting, OverruledStore overruled) {
        this.tellings = tellings;
        this.reporting = reporting;
        this.overruled = overruled;
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
        Matter what = Matter.comparison(id);
        return new Publishing.Subject(
                what,
                base,
                "",
                base + "/sheet",
                told.question(),
                reporting.weighs(told),
                base + "/bundle.zip",
                () -> told.photos().stream().map(this::photo).toList(),
                reader -> reporting.of(told, overruled.aside(what), reader));
    }

    private Publishing.Photo photo(Telling.Photo p) {
        return new Publishing.Photo(
                p.id(), "/compare/photos/%d/small.jpg".formatted(p.id()), p.what(), "", () -> tellings.picture(p.id()));
    }
}
