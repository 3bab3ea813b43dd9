package org.evensheen.app.lives;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.labels.ClaimWords;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.OutcomeWords;
import org.evensheen.app.studies.Study;
import org.evensheen.app.verdicts.Strips;
import org.evensheen.core.comparing.Compared;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender;
import org.evensheen.core.wear.Axis;
import org.evensheen.core.wear.Curve;
import org.evensheen.core.wear.Curves;
import org.evensheen.core.wear.Fitted;
import org.evensheen.core.wear.Life;
import org.evensheen.core.wear.Lives;
import org.evensheen.core.wear.MethodChange;
import org.evensheen.core.wear.Outlay;
import org.evensheen.core.wear.Promise;
import org.evensheen.core.wear.Showed;
import org.evensheen.core.wear.Survival;
import org.evensheen.core.wear.Wear;
import org.jspecify.annotations.Nullable;

/** The life page: a sentence first, then every product's curve over its tape, then what it rests on. */
record LifePage(
        long study,
        String question,
        String subtitle,
        boolean keyClosed,
        String first,
        String rest,
        String here,
        String measure,
        String axis,
        int day,
        List<Tab> measures,
        List<Tab> axes,
        String unit,
        List<Row> rows,
        List<PairRow> pairs,
        List<MeanRow> means,
        String over,
        List<String> promises,
        List<String> untested,
        String showedOn,
        List<String> showed,
        List<String> chemicals,
        List<String> odd,
        @Nullable SinceThen since,
        List<Gone> gone,
        String logRank,
        List<Worked> workings,
        String method,
        String json) {

    record Tab(String label, String address, boolean chosen) {}

    /** A product with its life. */
    record Row(
            String name,
            String place,
            List<String> strips,
            String life,
            String left,
            String cost,
            @Nullable Strip strip,
            String without,
            List<Stands> promises) {}

    /** How a promise stands, with its word for colour and its sentence. */
    record Stands(String word, String state, String sentence) {}

    record PairRow(String words, String ratio, String range, String p, boolean apart) {}

    record MeanRow(String name, String place, String mean, String range) {}

    /** How many sections go on, step by step. */
    record Gone(String name, String steps) {}

    /** What stands behind a product's life. */
    record Worked(String name, String curve, List<String> sections, String chances) {}

    static LifePage of(Study study, LocalDate today, Wear wear) {
        return new Writer(study, today, wear).write();
    }

    private static final class Writer {
        private final Study study;
        private final LocalDate today;
        private final Wear wear;
        private final Axis axis;
        private final String base;

        Writer(Study study, LocalDate today, Wear wear) {
            this.study = study;
            this.today = today;
            this.wear = wear;
            axis = wear.axis();
            base = "/studies/%d/life".formatted(study.id());
        }

        LifePage write() {
            String[] headline = LifeWords.headline(study, wear);
            List<Showed> showed = Showed.on(study.record(), wear.measure(), wear.until());
            return new LifePage(
                    study.id(),
                    study.question(),
                    "%s. How long it lasts, by %s, until day %d."
                            .formatted(
                                    study.bed().name(), wear.measure().words().at(), wear.until()),
                    study.judgedByCode(),
                    headline[0],
                    headline[1],
                    base,
                    wear.measure().code(),
                    axis.code(),
                    wear.until(),
                    measures(),
                    axes(),
                    axis.several(),
                    rows(),
                    pairs(),
                    means(),
                    LifeWords.figure(axis, wear.over()),
                    promises(),
                    untested(),
                    "Day %d".formatted(wear.until()),
                    OutcomeWords.showed(study, wear.measure(), showed),
                    LifeWords.byChemical(wear.byChemical()),
                    Stream.of(
                                    wear.curves().found().stream().map(LifeWords::odd),
                                    LifeWords.uneven(study, wear).stream(),
                                    MethodChange.between(study.record(), wear.measure(), wear.until()).stream()
                                            .map(c -> LifeWords.otherwise(c, wear.until())))
                            .flatMap(s -> s)
                            .toList(),
                    SinceThen.of(wear, this::name).orElse(null),
                    gone(),
                    wear.logRank().isPresent() ? Figures.p(wear.logRank().getAsDouble()) : "",
                    LifeWorkings.of(study, wear),
                    wear.lives()
                            .map(l ->
                                    "Lives of one product's sections scatter by a factor of %s; %s. Method %d, %s draws, seed of the study."
                                            .formatted(
                                                    Figures.compact(Math.exp(l.sigma()), 3),
                                                    l.rows().isEmpty()
                                                            ? "rows were not taken out"
                                                            : "rows taken out: "
                                                                    + l.rows().entrySet().stream()
                                                                            .map(r -> "row %d × %s"
                                                                                    .formatted(
                                                                                            r.getKey(),
                                                                                            Figures.compact(
                                                                                                    r.getValue(), 3)))
                                                                            .collect(Collectors.joining(", ")),
                                                    Wear.METHOD,
                                                    Figures.compact(Lives.DRAWS, 5)))
                            .orElse(""),
                    address(".json", wear.measure(), axis));
        }

        private String address(String suffix, Measure measure, Axis by) {
            return "%s%s?measure=%s&by=%s&day=%d".formatted(base, suffix, measure.code(), by.code(), wear.until());
        }

        private List<Tab> measures() {
            return study.record().plan().measures().stream()
                    .map(p -> p.measure())
                    .filter(Curves::keeps)
                    .map(m -> new Tab(m.label(), address("", m, axis), m.equals(wear.measure())))
                    .toList();
        }

        private List<Tab> axes() {
            return Arrays.stream(Axis.values())
                    .filter(a -> a == axis || LifeController.logged(study, a))
                    .map(a -> new Tab("by " + a.several(), address("", wear.measure(), a), a == axis))
                    .toList();
        }

        private String name(int number) {
            return study.record().contenders().get(number).name();
        }

        private Strip.Scale scale() {
            double span = wear.lives().map(Lives::span).orElse(0.0);
            double reach = span;
            for (Promise p : wear.promises()) {
                reach = Math.max(reach, Math.min(p.claimed(), Lives.BEYOND * span));
            }
            return Strip.Scale.of(Math.max(reach * 1.04, 1e-6));
        }

        private List<Row> rows() {
            List<Integer> ranked = new ArrayList<>(wear.ranking()
                    .map(Lives.Ranking::ranked)
                    .orElse(wear.lives().map(Lives::products).orElse(List.of())));
            List<List<String>> strips = wear.ranking()
                    .map(r -> Strips.of(ranked.size(), (one, other) -> apart(r, ranked.get(one), ranked.get(other))))
                    .orElse(List.of());
            Strip.Scale scale = scale();
            List<Row> rows = new ArrayList<>();
            for (int i = 0; i < ranked.size(); i++) {
                int place = i;
                rows.add(row(
                        ranked.get(i),
                        wear.ranking()
                                .map(r -> String.valueOf(r.places().get(place)))
                                .orElse(""),
                        strips.isEmpty() ? List.of() : strips.get(i),
                        scale));
            }
            for (Contender c : study.record().contenders()) {
                if (!c.isControl() && !ranked.contains(c.number())) {
                    rows.add(new Row(
                            c.name(),
                            "",
                            List.of(),
                            "",
                            "",
                            "",
                            null,
                            Optional.ofNullable(wear.curves().without().get(c.number()))
                                    .map(LifeWords::without)
                                    .orElse("No visit since its first readings."),
                            stands(c.number())));
                }
            }
            return rows;
        }

        private static boolean apart(Lives.Ranking ranking, int one, int other) {
            return ranking.pairs().stream()
                    .anyMatch(p -> p.apart()
                            && (p.longer() == one && p.shorter() == other
                                    || p.longer() == other && p.shorter() == one));
        }

        private Row row(int number, String place, List<String> strips, Strip.Scale scale) {
            Lives lives = wear.lives().orElseThrow();
            Lives.Told told = lives.told(number);
            List<Curve> curves = wear.curves().first().stream()
                    .filter(c -> c.contender() == number)
                    .toList();
            Optional<Fitted> fitted = Optional.ofNullable(wear.fitted().get(number));
            return new Row(
                    name(number),
                    place,
                    strips,
                    LifeWords.life(axis, told, fitted.map(Fitted::span).orElse(lives.span())),
                    fitted.map(f -> Figures.percent(f.left(f.span())) + " left").orElse(""),
                    cost(number, told, fitted),
                    Strip.of(
                            curves,
                            fitted,
                            Optional.of(told),
                            wear.promisesOf(number),
                            scale,
                            p -> "day " + p.at().day()),
                    "",
                    stands(number));
        }

        /** What a protected week cost as found; only where it is counted in weeks. */
        private String cost(int number, Lives.Told told, Optional<Fitted> fitted) {
            return axis != Axis.WEEKS
                    ? ""
                    : Outlay.of(
                                    study.record(),
                                    study.record().contenders().get(number),
                                    wear.until(),
                                    told,
                                    fitted.map(Fitted::span).orElse(0.0))
                            .map(o -> "%s%s a protected week and section"
                                    .formatted(o.atMost() ? "at most " : "", Figures.money(o.aWeek())))
                            .orElseGet(() -> Outlay.wanting(
                                            study.record(),
                                            study.record().contenders().get(number),
                                            wear.until())
                                    .filter(w -> !study.judgedByCode())
                                    .map(LifeWords::wanting)
                                    .orElse(""));
        }

        private List<Stands> stands(int number) {
            return wear.promisesOf(number).stream()
                    .map(p -> new Stands(
                            LifeWords.state(p.state()),
                            p.state().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                            LifeWords.promise(study, today, wear, p)))
                    .toList();
        }

        private List<PairRow> pairs() {
            return wear.ranking().stream()
                    .flatMap(r -> r.pairs().stream())
                    .map(p -> new PairRow(
                            "%s against %s".formatted(name(p.longer()), name(p.shorter())),
                            p.ratio().isPresent()
                                    ? Figures.times(p.ratio().getAsDouble())
                                    : p.interval().low() > 0 ? p.apart() ? "longer" : "can't say" : "neither is spent",
                            p.ratio().isPresent()
                                    ? Figures.significant(p.interval().low(), 2) + "–"
                                            + Figures.times(p.interval().high())
                                    : p.interval().low() > 0
                                            ? Figures.times(p.interval().low()) + " and more"
                                            : "",
                            Figures.p(p.p()),
                            p.apart()))
                    .toList();
        }

        private List<MeanRow> means() {
            return wear.overTime().stream()
                    .flatMap(c -> c.lines().stream())
                    .map(l -> new MeanRow(
                            name(l.contender()),
                            String.valueOf(l.place()),
                            Figures.percent(l.mean().value()),
                            wear.overTime().map(Compared::freedom).orElse(0.0) > 0
                                    ? Figures.percentRange(l.mean().interval())
                                    : "no interval"))
                    .toList();
        }

        private List<String> promises() {
            return wear.promises().stream()
                    .map(p -> name(p.contender()) + ": " + LifeWords.promise(study, today, wear, p))
                    .toList();
        }

        /** What labels say that a study of this kind does not test. */
        private List<String> untested() {
            List<String> lines = new ArrayList<>();
            for (Map.Entry<Integer, Label> of : Living.labels(study).entrySet()) {
                List<String> said = new ArrayList<>();
                for (Claim claim : of.getValue().claims()) {
                    boolean other = claim instanceof Claim.LastsWashes && axis != Axis.WASHES
                            || claim instanceof Claim.Lasts && axis != Axis.WEEKS;
                    if (claim instanceof Claim.PanelTemperature
                            || claim instanceof Claim.NextLayer
                            || claim instanceof Claim.Sun
                            || other) {
                        said.add("“%s”".formatted(claim.print()) + (other ? " (choose its unit above)" : ""));
                    }
                    if (claim instanceof Claim.NoMarks) {
                        said.add(
                                study.bed().traits().hardness() == Bed.Hardness.SOFT
                                        ? "“no marks”: count them, before and after, with a lamp"
                                        : "“no marks” proves nothing on paint that hides them: only soft dark paint can show it");
                    }
                }
                said.addAll(ClaimWords.contradictions(of.getValue()));
                if (!said.isEmpty()) {
                    lines.add(name(of.getKey()) + ": " + String.join("; ", said) + ".");
                }
            }
            return lines;
        }

        private List<Gone> gone() {
            Map<Integer, List<Life>> by = new TreeMap<>();
            wear.curves()
                    .first()
                    .forEach(c -> c.life()
                            .ifPresent(l -> by.computeIfAbsent(c.contender(), k -> new ArrayList<>())
                                    .add(l)));
            List<Gone> gone = new ArrayList<>();
            by.forEach((number, lives) -> gone.add(new Gone(
                    name(number),
                    Survival.steps(lives).stream()
                            .map(s -> "%s: %s go on (%s)"
                                    .formatted(
                                            LifeWords.figure(axis, s.at()),
                                            Figures.percent(s.share()),
                                            Figures.percentRange(s.interval())))
                            .collect(Collectors.joining(
                                    "; ", "", lives.stream().anyMatch(l -> !l.goesOn()) ? "" : "all go on")))));
            return gone;
        }
    }
}
