package org.evensheen.app.league;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.answers.EditionStore;
import org.evensheen.app.answers.Leaflets;
import org.evensheen.app.answers.Publishing;
import org.evensheen.app.answers.Subjects;
import org.evensheen.app.page.Missing;
import org.springframework.stereotype.Component;

/** Tables of the league can be published; one is known by what it was asked for. */
@Component
class TableSubjects implements Subjects {
    /** As the schema has it. */
    private static final int LONGEST = 600;

    private final Tables tables;
    private final Leaflets leaflets;

    TableSubjects(Tables tables, Leaflets leaflets) {
        this.tables = tables;
        this.leaflets = leaflets;
    }

    @Override
    public String under() {
        return "verdicts";
    }

    @Override
    public Publishing.Subject subject(Optional<Long> id, Map<String, String> sent) {
        Tables.Table table = tables.table(sent);
        LeaguePage page = table.on(table.latest());
        if (page.query().length() > LONGEST) {
            throw new Missing("There is no table of that. Verdicts has them all.");
        }
        return new Publishing.Subject(
                EditionStore.Of.league(page.query()),
                "/verdicts",
                page.query(),
                "/verdicts?" + page.query(),
                LeagueLeaflet.question(page),
                false,
                "",
                List::of,
                reader -> leaflets.report(LeagueLeaflet.of(table)));
    }
}
