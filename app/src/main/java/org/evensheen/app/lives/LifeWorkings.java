package org.evensheen.app.lives;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Study;
import org.evensheen.core.study.Contender;
import org.evensheen.core.wear.Curve;
import org.evensheen.core.wear.Wear;

/** What stands behind the lives of a page, number by number. */
record LifeWorkings(Study study, Wear wear) {

    /** Product by product, in the order of their numbers. */
    static List<LifePage.Worked> of(Study study, Wear wear) {
        return new LifeWorkings(study, wear).written();
    }

    private List<LifePage.Worked> written() {
        List<LifePage.Worked> worked = new ArrayList<>();
        for (Contender c : study.record().contenders()) {
            List<Curve> curves = wear.curves().curves().stream()
                    .filter(v -> v.contender() == c.number())
                    .toList();
            if (!curves.isEmpty()) {
                worked.add(new LifePage.Worked(
                        c.name(),
                        LifeWords.fitted(
                                wear.axis(), Optional.ofNullable(wear.fitted().get(c.number()))),
                        curves.stream().map(this::section).toList(),
                        chances(c.number())));
            }
        }
        return worked;
    }

    private String chances(int number) {
        return wear.ranking()
                .map(r -> r.chances().get(r.ranked().indexOf(number)).stream()
                        .map(Figures::percent)
                        .collect(Collectors.joining(", ")))
                .orElse("");
    }

    private String section(Curve c) {
        String shares = c.points().stream()
                .map(p -> "%s: %s".formatted(LifeWords.figure(wear.axis(), p.x()), Figures.percent(p.left())))
                .collect(Collectors.joining(", "));
        String life = c.life()
                .map(l -> l.goesOn()
                        ? "goes on after " + LifeWords.figure(wear.axis(), l.low())
                        : "spent between %s and %s"
                                .formatted(
                                        LifeWords.figure(wear.axis(), l.low()),
                                        LifeWords.figure(wear.axis(), l.high())))
                .orElse("no visit");
        return "%s%s, first effect %s against %s: %s. %s."
                .formatted(
                        c.section(),
                        c.coat() > 1 ? ", coat " + c.coat() : "",
                        wear.measure().benefitIsShare() && c.control() == Curve.Control.BARE
                                ? Figures.percent(c.first())
                                : Figures.score(wear.measure(), c.first()),
                        c.control() == Curve.Control.BARE ? "bare" : "its own reading before",
                        shares.isEmpty() ? "no visit" : shares,
                        life);
    }
}
