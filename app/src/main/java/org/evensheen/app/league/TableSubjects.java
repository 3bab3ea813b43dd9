package org.evensheen.app.league;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.answers.Leaflets;
import org.evensheen.app.answers.Matter;
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
        String looks = sent.getOrDefault("alike", "");
        Tables.Asked asked = looks.isEmpty() ? table.asked() : table.asked().alike(looks);
        String query = asked.query();
        if (query.length() > LONGEST) {
            throw new Missing("There is no table of that. Verdicts has them all.");
        }
        // Findings may be told apart more finely one day; what was published of them before stays where it was.
        boolean there = asked.alike().equals(table.asked().alike());
        return new Publishing.Subject(
                Matter.league(query),
                "/verdicts",
                query,
                "/verdicts?" + query,
                LeagueLeaflet.question(asked.alike()),
                false,
                "",
                List::of,
                reader -> {
                    if (!there) {
                        throw new Missing("Nothing stands in this table any more. What was published of it stays.");
                    }
                    return leaflets.report(LeagueLeaflet.of(table));
                });
    }
}
