package org.evensheen.app.prints;

import java.util.List;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.page.Figures;
import org.evensheen.app.prints.PrintPage.Line;
import org.evensheen.app.studies.Study;
import org.evensheen.core.planning.Kit;

/**
 * The sheet of whoever puts the products on.
 *
 * @param key what each code stands for
 * @param products how much of each to bring
 */
record KeySheet(
        long study, String question, List<String> key, List<Line> products, List<String> wear, String reminder) {

    static KeySheet of(Study study) {
        Kit kit = Kit.of(study.entrants(), study.record().sections());
        return new KeySheet(
                study.id(),
                study.question(),
                study.record().contenders().stream()
                        .map(c -> "%s: %s".formatted(study.codesOf(c), c.name()))
                        .toList(),
                kit.products().stream().map(KeySheet::product).toList(),
                kit.wear(),
                Cautions.REMINDER);
    }

    private static Line product(Kit.Needed needed) {
        String amount = needed.millilitres()
                .map(ml -> Figures.millilitres(ml)
                        + needed.sprays().map(s -> ", %d sprays".formatted(s)).orElse(""))
                .orElseGet(() -> needed.sprays()
                        .map(s -> "%d sprays; weigh twenty to know the mL".formatted(s))
                        .orElse("its label tells no dose for a section"));
        return new Line(
                needed.product(),
                "%s for %s and %s%s"
                        .formatted(
                                amount,
                                Figures.count(needed.sections(), "section", "sections"),
                                Figures.count(needed.coats(), "coat", "coats"),
                                needed.dose().isEmpty() ? "" : " (label: " + needed.dose() + ", 15 % over)"));
    }
}
