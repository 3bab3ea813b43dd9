package org.evensheen.app.verdicts;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.OutcomeWords;
import org.evensheen.app.studies.Standing;
import org.evensheen.app.studies.Study;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.comparing.Observers;
import org.evensheen.core.comparing.Ratio;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.wear.Showed;
import org.jspecify.annotations.Nullable;

/** The verdict page: one sentence first, then the drawing behind it, then what it rests on. */
record VerdictPage(
        long study,
        String question,
        String subtitle,
        boolean keyClosed,
        String first,
        String rest,
        List<Tab> measures,
        List<Tab> days,
        String footing,
        String footingMeaning,
        List<Weak> findings,
        String benefitTitle,
        boolean plain,
        List<Mark> axis,
        List<Row> rows,
        List<PairRow> pairs,
        String least,
        String leastLink,
        String chanceLink,
        List<String> observers,
        List<String> showed,
        Standing standing,
        String json,
        @Nullable String empty) {

    /** A choice of measure or day. */
    record Tab(String label, String address, boolean chosen) {}

    /** A labelled place on the axis, per cent of its length. */
    record Mark(String at, String label) {}

    /** Something that limits the footing. */
    record Weak(String title, String numbers, String remedy, String atMost) {}

    /** A product: its place, and its intervals as drawn. */
    record Row(
            String name,
            String place,
            List<String> strips,
            String sections,
            String link,
            String placeLink,
            @Nullable Bar benefit,
            @Nullable Bar retention,
            String noBenefit,
            String noRetention,
            String read) {}

    /** An interval on an axis, per cent of its length; without an interval only its point is drawn. */
    record Bar(
            String figure,
            String range,
            String point,
            boolean ranged,
            String low,
            String width,
            String link,
            boolean leftOfPoint) {}

    /** Two products set against each other. */
    record PairRow(
            String words, String difference, String range, String p, String adjusted, boolean apart, String link) {}

    static VerdictPage of(Study study, Measure measure, int day, Judging.Outcome outcome) {
        return new Writer(study, measure, day, outcome).write();
    }

    private static final class Writer {
        private final Study study;
        private final Measure measure;
        private final int day;
        private final Judging.Outcome outcome;
        private final String base;

        Writer(Study study, Measure measure, int day, Judging.Outcome outcome) {
            this.study = study;
            this.measure = measure;
            this.day = day;
            this.outcome = outcome;
            base = "/studies/%d/verdict".formatted(study.id());
        }

        VerdictPage write() {
            Optional<Verdict> verdict = outcome.verdict();
            Footing footing = Footing.under(outcome.findings());
            Sentence sentence = Sentence.of(study, measure, verdict);
            Axis axis = Axis.of(measure, verdict);
            return new VerdictPage(
                    study.id(),
                    study.question(),
                    subtitle(verdict),
                    study.judgedByCode(),
                    sentence.first(),
                    sentence.rest(),
                    measures(),
                    days(verdict),
                    footing.word(),
                    footing.meaning(),
                    outcome.findings().stream().map(Writer::weak).toList(),
                    title(),
                    plain(),
                    plain() ? List.of() : axis.marks(measure),
                    verdict.map(v -> rows(v, axis)).orElse(List.of()),
                    verdict.map(this::pairs).orElse(List.of()),
                    verdict.map(v -> OutcomeWords.toldApart(measure, v)).orElse(""),
                    link("least", 0, 0),
                    link("chance", 0, 0),
                    verdict.map(v -> Observers.of(study.record(), measure, v.at()).stream()
                                    .map(o -> OutcomeWords.observers(measure, o))
                                    .toList())
                            .orElse(List.of()),
                    verdict.map(v -> OutcomeWords.showed(
                                    study, measure, Showed.on(study.record(), measure, v.at().day())))
                            .orElse(List.of()),
                    Standing.of(study, measure, verdict, Optional.empty(), false, day),
                    "%s.json?measure=%s&day=%d".formatted(base, measure.code(), day),
                    verdict.isEmpty()
                            ? "No verdict on %s yet. Read it on two products, fresh or wetted again, and on bare."
                                    .formatted(measure.words().at())
                            : null);
        }

        private String subtitle(Optional<Verdict> verdict) {
            String when = verdict.map(v -> "Judged on " + Standing.words(v.at()) + ".")
                    .orElse("");
            return "%s. %s %s"
                    .formatted(
                            study.bed().name(),
                            when,
                            Figures.count(study.record().readings().size(), "reading stands.", "readings stand."));
        }

        private String title() {
            if (plain()) {
                return "As read";
            }
            if (measure.benefitIsShare()) {
                return "Benefit against bare that day";
            }
            return measure.scale() == Scale.LOG ? "Times bare that day" : "More than bare that day";
        }

        /** Whether there is nothing to set against bare, so that places and what was read are all. */
        private boolean plain() {
            return !measure.needsBare() || !measure.scale().linear();
        }

        /** What was read on a product's places, in the order of the panel. */
        private String read(Verdict verdict, int product) {
            return verdict.entered().stream()
                    .filter(e -> e.contender() == product)
                    .map(e -> "%s on %s".formatted(Figures.score(measure, e.mean()), e.section()))
                    .collect(Collectors.joining(", "));
        }

        private List<Tab> measures() {
            return study.record().measures().stream()
                    .filter(Measure::comparable)
                    .filter(m -> m == measure
                            || study.record().plan().asksFor(m.readAs())
                            || !study.record().occasionsRead(m).isEmpty())
                    .map(m -> new Tab(m.label(), "%s?measure=%s&day=%d".formatted(base, m.code(), day), m == measure))
                    .toList();
        }

        private List<Tab> days(Optional<Verdict> verdict) {
            return study.record().occasionsRead(measure).stream()
                    .filter(study.record()::counts)
                    .map(Occasion::day)
                    .distinct()
                    .map(d -> new Tab(
                            "day " + d,
                            "%s?measure=%s&day=%d".formatted(base, measure.code(), d),
                            verdict.filter(v -> v.at().day() == d).isPresent()))
                    .toList();
        }

        private static Weak weak(Finding finding) {
            return new Weak(
                    finding.kind().title(),
                    finding.numbers(),
                    finding.remedy(),
                    finding.kind().atMost().word());
        }

        private List<Row> rows(Verdict verdict, Axis axis) {
            List<List<String>> strips = Strips.of(verdict);
            List<Row> rows = new ArrayList<>();
            for (int i = 0; i < verdict.results().size(); i++) {
                Verdict.Result result = verdict.results().get(i);
                int number = result.contender().number();
                rows.add(new Row(
                        result.contender().name(),
                        String.valueOf(result.place()),
                        strips.get(i),
                        "%s, mean %s"
                                .formatted(
                                        Figures.count(result.sections(), "section", "sections"),
                                        Figures.difference(measure, verdict.mean(result))),
                        link("mean", number, 0),
                        link("place", number, 0),
                        result.benefit()
                                .value()
                                .map(b -> bar(
                                        b,
                                        axis,
                                        Figures.benefit(measure, b.value()),
                                        Figures.benefitRange(measure, b.interval()),
                                        link("benefit", number, 0)))
                                .orElse(null),
                        result.retention()
                                .value()
                                .map(k -> bar(
                                        k.share(),
                                        Axis.UNIT,
                                        Figures.percent(k.share().value()),
                                        k.share()
                                                .interval()
                                                .map(Figures::percentRange)
                                                .orElse("no interval"),
                                        link("retention", number, 0)))
                                .orElse(null),
                        result.benefit().absent().map(OutcomeWords::why).orElse(""),
                        result.retention().absent().map(OutcomeWords::why).orElse(""),
                        read(verdict, number)));
            }
            return rows;
        }

        private static Bar bar(Ratio ratio, Axis axis, String figure, String range, String link) {
            double low = axis.at(ratio.interval().map(Interval::low).orElse(ratio.value()));
            double high = axis.at(ratio.interval().map(Interval::high).orElse(ratio.value()));
            return new Bar(
                    figure,
                    range,
                    svg(axis.at(ratio.value())) + "%",
                    ratio.interval().isPresent(),
                    svg(low) + "%",
                    svg(Math.max(0.4, high - low)) + "%",
                    link,
                    high > 82);
        }

        private List<PairRow> pairs(Verdict verdict) {
            return verdict.pairs().stream()
                    .map(p -> new PairRow(
                            "%s before %s".formatted(name(p.better()), name(p.worse())),
                            verdict.ofAnOrder()
                                    ? Figures.number(p.difference().value(), 1)
                                    : Figures.told(measure, verdict.told(p)),
                            p.interval().isEmpty() ? "" : Figures.toldRange(measure, verdict.told(p)),
                            Figures.p(p.p()),
                            Figures.p(p.adjusted()),
                            p.apart(),
                            link("pair", p.better(), p.worse())))
                    .toList();
        }

        private String name(int contender) {
            return study.record().contenders().get(contender).name();
        }

        private String link(String of, int product, int other) {
            return "%s/workings?measure=%s&day=%d&of=%s&product=%d&other=%d"
                    .formatted(base, measure.code(), day, of, product, other);
        }
    }
}
