package org.evensheen.app.league;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.answers.Leaflets;
import org.evensheen.app.answers.Matter;
import org.evensheen.app.answers.Publishing;
import org.evensheen.app.answers.Subjects;
import org.springframework.stereotype.Component;

/** Where a product stands can be published. */
@Component
class ProductSubjects implements Subjects {
    private final Tables tables;
    private final Leaflets leaflets;

    ProductSubjects(Tables tables, Leaflets leaflets) {
        this.tables = tables;
        this.leaflets = leaflets;
    }

    @Override
    public String under() {
        return "shelf";
    }

    @Override
    public Publishing.Subject subject(Optional<Long> number, Map<String, String> sent) {
        long id = number.orElseThrow();
        String name = tables.named(id);
        String base = "/shelf/" + id;
        return new Publishing.Subject(
                Matter.product(id),
                base,
                "",
                base,
                name,
                false,
                "",
                List::of,
                reader -> leaflets.report(LeagueLeaflet.of(name, tables.standing(name))));
    }
}
