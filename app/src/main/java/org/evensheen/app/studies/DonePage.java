package org.evensheen.app.studies;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;
import org.evensheen.core.footing.LabelDeparture;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

/** How the products of a study were put on, each against its label. */
record DonePage(long id, String question, int today, List<String> meetings, List<Row> rows, String summary) {

    /**
     * A product.
     *
     * @param asks what its label asks
     * @param jobs its uses, if there are several
     * @param filled what was typed for it and could not be kept
     */
    record Row(
            int contender,
            String name,
            String asks,
            List<String> jobs,
            List<Line> lines,
            Filled filled,
            String day,
            String doseLike,
            String waitLike,
            UUID key) {}

    /** An application that was noted. */
    record Line(long id, String what, List<Against> against) {}

    /** How a part of it stands to the label. */
    record Against(String words, boolean off) {}

    static DonePage of(Study study, int today, int refused, Filled filled) {
        int applied = study.record().happenings().stream()
                .filter(h -> h.kind() == org.evensheen.core.study.Happening.Kind.APPLIED)
                .findFirst()
                .map(h -> h.day())
                .orElse(Math.max(0, today));
        List<Row> rows = study.record().contenders().stream()
                .filter(c -> !c.isControl())
                .map(c -> row(study, c, applied, c.number() == refused ? filled : Filled.NOTHING))
                .toList();
        return new DonePage(
                study.id(),
                study.question(),
                Math.max(0, today),
                meetings(study),
                rows,
                summary(study.record(), study.judgedByCode()));
    }

    /** How many products departed from their labels, for the study screen; empty if nothing was noted. */
    static String summary(StudyRecord record, boolean byCode) {
        List<Application> applications = record.applications();
        if (applications.isEmpty()) {
            return "";
        }
        List<Integer> departed = applications.stream()
                .filter(a -> LabelDeparture.of(a).stream().anyMatch(LabelDeparture::departed))
                .map(Application::contender)
                .distinct()
                .toList();
        if (departed.isEmpty()) {
            return "Put on as the labels say.";
        }
        String names = byCode
                ? Figures.count(departed.size(), "product", "products")
                : departed.stream().map(n -> record.contenders().get(n).name()).collect(Collectors.joining(", "));
        return "%s departed from %s: %s."
                .formatted(
                        names,
                        departed.size() == 1 ? "its label" : "their labels",
                        applications.stream()
                                .flatMap(a -> LabelDeparture.of(a).stream())
                                .filter(LabelDeparture::departed)
                                .map(DonePage::briefly)
                                .distinct()
                                .sorted()
                                .collect(Collectors.joining(", ")));
    }

    private static String briefly(LabelDeparture d) {
        return "%s %s"
                .formatted(
                        d.what().name().toLowerCase(java.util.Locale.ROOT),
                        Figures.times(d.departure().orElseThrow().factor()));
    }

    /** Products of this study that must not meet. */
    static List<String> meetings(Study study) {
        List<String> met = new ArrayList<>();
        List<Integer> numbers = study.entrants().stream()
                .map(e -> e.contender().number())
                .filter(n -> study.label(n).isPresent())
                .toList();
        for (int i = 0; i < numbers.size(); i++) {
            for (int j = i + 1; j < numbers.size(); j++) {
                met.addAll(Cautions.meetings(
                        study.record().contenders().get(numbers.get(i)).name(),
                        study.label(numbers.get(i)).orElseThrow().hazards(),
                        study.record().contenders().get(numbers.get(j)).name(),
                        study.label(numbers.get(j)).orElseThrow().hazards()));
            }
        }
        return met;
    }

    private static Row row(Study study, Contender c, int applied, Filled filled) {
        Optional<Label> label = study.label(c.number());
        List<Claim.Use> uses = label.map(Label::uses).orElse(List.of());
        return new Row(
                c.number(),
                c.name(),
                label.map(DonePage::asks).orElse("No label is entered for it on the Shelf."),
                uses.size() > 1 ? uses.stream().map(Claim.Use::name).toList() : List.of(),
                study.record().applications().stream()
                        .filter(a -> a.contender() == c.number())
                        .map(DonePage::line)
                        .toList(),
                filled,
                filled.typed().getOrDefault("day", String.valueOf(applied)),
                uses.stream().findFirst().map(u -> u.dose().print()).orElse("4 sprays per section"),
                label.flatMap(l -> l.one(Claim.Wait.class))
                        .map(w -> Span.of(w.amount().low()).written() + " "
                                + w.unit().symbol())
                        .orElse("2 min"),
                UUID.randomUUID());
    }

    private static String asks(Label label) {
        return label.claims().stream()
                .filter(k -> k instanceof Claim.Use
                        || k instanceof Claim.Wait
                        || k instanceof Claim.Coats
                        || k instanceof Claim.SectionSize
                        || k instanceof Claim.Finish)
                .map(Claim::print)
                .collect(Collectors.joining("; "));
    }

    private static Line line(Application a) {
        List<String> parts = new ArrayList<>();
        if (a.given().isEmpty()) {
            a.dose().ifPresent(d -> parts.add(d.print()));
        } else {
            parts.add(a.given());
        }
        a.waitSeconds().ifPresent(s -> parts.add("waited " + time(s)));
        a.coats().ifPresent(n -> parts.add(Figures.count(n, "coat", "coats")));
        return new Line(
                a.id(),
                "Day %d%s%s: %s"
                        .formatted(
                                a.day(),
                                a.job().isEmpty() ? "" : ", " + a.job(),
                                a.section().map(s -> " on " + s).orElse(""),
                                String.join(", ", parts)),
                LabelDeparture.of(a).stream().map(DonePage::against).toList());
    }

    private static String time(double seconds) {
        return seconds < 120
                ? Figures.withUnit(Figures.compact(seconds, 3), "s")
                : Figures.withUnit(Figures.compact(seconds / Unit.MINUTE.toCanonical(1), 3), "min");
    }

    private static Against against(LabelDeparture d) {
        String what = d.what().name().toLowerCase(java.util.Locale.ROOT);
        if (d.departure().isEmpty()) {
            return new Against(
                    "%s: %s can't be set against the label's %s".formatted(what, d.done(), d.asked()), false);
        }
        Departure departure = d.departure().get();
        return switch (departure.side()) {
            case WITHIN -> new Against("%s as the label says".formatted(what), false);
            case ABOVE ->
                new Against(
                        "%s %s the label's upper end, %s".formatted(what, Figures.times(departure.factor()), d.asked()),
                        true);
            case BELOW ->
                new Against(
                        "%s %s the label's lower end, %s".formatted(what, Figures.times(departure.factor()), d.asked()),
                        true);
        };
    }
}
