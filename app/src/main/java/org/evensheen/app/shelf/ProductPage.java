package org.evensheen.app.shelf;

import static org.evensheen.app.page.Figures.svg;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.labels.ClaimWords;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.StockStore.Bottle;
import org.evensheen.app.labels.StockStore.Pour;
import org.evensheen.app.page.Figures;
import org.evensheen.app.shelf.ProductStock.Taking;
import org.evensheen.app.shelf.RecordStore.Found;
import org.evensheen.app.shelf.RecordStore.Strip;
import org.evensheen.core.cautions.Acidity;
import org.evensheen.core.label.Claim;
import org.evensheen.core.stock.RealYield;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

/** A product as its page shows it. */
record ProductPage(
        long id,
        String name,
        String kind,
        BottleDrawing bottle,
        String left,
        String lasting,
        String really,
        boolean mixes,
        List<Row> label,
        String labelled,
        Cautions cautions,
        Acid acid,
        List<BottleLine> bottles,
        List<Line> keeping,
        List<PourLine> pours,
        List<StudyLine> studies,
        List<RecordStore.Photo> photos) {
    private static final int MOST_POURS = 8;
    private static final double SCALE = 20;

    /** A claim, with the Mixer's address if it is a use that is mixed. */
    record Row(ClaimWords words, String mix) {}

    /** A line that may be a warning. */
    record Line(String text, boolean warns) {}

    /** A bottle that came to the Shelf; its day of opening is asked for as long as it is unknown. */
    record BottleLine(long id, String text, boolean unopened) {}

    /** Something taken. */
    record PourLine(long id, String when, String what, boolean undone) {}

    /** A study it is in, and whether it lasts that long. */
    record StudyLine(long id, String question, String until, String lasts, boolean wanting) {}

    /** Strips against the label on a scale from 0 to 14. */
    record Acid(String from, String width, boolean told, List<Dot> dots, List<Line> lines) {}

    /** A strip on the scale. */
    record Dot(String x, boolean far) {}

    static ProductPage of(
            Product product,
            List<Bottle> bottles,
            List<Pour> pours,
            List<Taking> takings,
            Found found,
            LocalDate today) {
        ProductStock stock = ProductStock.of(product, bottles, pours, takings, today);
        return new ProductPage(
                product.id(),
                product.name(),
                product.kind().label(),
                BottleDrawing.of(product.kind().vessel(stock.remaining().sizeMl()), stock.remaining()),
                bottles.isEmpty() ? "No bottle is on the Shelf." : left(stock),
                lasting(stock, today),
                stock.yield().map(ProductPage::really).orElse(""),
                product.label().uses().stream().anyMatch(u -> u.dose().mixed()),
                product.label().claims().stream()
                        .map(c -> new Row(
                                ClaimWords.of(c, product.calibrations()),
                                c instanceof Claim.Use use && use.dose().mixed()
                                        ? "/mixer?product=%d&job=%s"
                                                .formatted(product.id(), encoded(product.jobOf(use)))
                                        : ""))
                        .toList(),
                product.labelNumber() == 0
                        ? ""
                        : product.labelNumber() == 1
                                ? "As the maker wrote it"
                                : "As the maker wrote it, corrected %s"
                                        .formatted(Figures.count(product.labelNumber() - 1L, "time", "times")),
                Cautions.of(product.hazards()),
                acid(product, found.strips(), today),
                bottles.stream().map(b -> bottle(b, today)).toList(),
                keeping(product, bottles, pours, today),
                pours.stream().limit(MOST_POURS).map(p -> pour(p, today)).toList(),
                takings.stream().map(t -> study(t, stock, today)).toList(),
                found.photos());
    }

    private static String encoded(String text) {
        return java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8);
    }

    private static String left(ProductStock stock) {
        String more = stock.remaining().full() == 0
                ? ""
                : ", and %s full".formatted(Figures.count(stock.remaining().full(), "more is", "more are"));
        return "%s of %s left%s"
                .formatted(
                        Figures.millilitres(stock.remaining().inUseMl()),
                        Figures.millilitres(stock.remaining().sizeMl()),
                        more);
    }

    private static String lasting(ProductStock stock, LocalDate today) {
        if (stock.remaining().sizeMl() == 0) {
            return "";
        }
        String pace = stock.perDay() > 0
                ? "Apart from studies, %s a week at the present pace. "
                        .formatted(Figures.millilitres(stock.perDay() * 7))
                : "";
        return pace
                + stock.outlook()
                        .emptyOn()
                        .map(day -> day.equals(today)
                                ? "It is used up."
                                : "It runs out about %s.".formatted(Figures.day(day, today)))
                        .orElse(
                                stock.drawn()
                                        ? "It lasts beyond all that is planned."
                                        : "Nothing draws on it at present.");
    }

    /** "5 mixes (foam) took 32 mL each: 31 cars from 1 L, where 24 are promised: 0.77× as much a car." */
    private static String really(RealYield y) {
        String promised = y.promised().isEmpty()
                ? ""
                : ", where %s are promised: %s as much a car"
                        .formatted(
                                Figures.compact(y.promised().getAsDouble(), 3),
                                Figures.times(
                                        y.each().timesPromised(y.promised().getAsDouble())));
        return "%s%s took %s each: %s from %s%s."
                .formatted(
                        y.job().equals(RealYield.WASH)
                                ? Figures.count(y.uses(), "wash", "washes")
                                : Figures.count(y.uses(), "mix", "mixes"),
                        y.job().isEmpty() || y.job().equals(RealYield.WASH) ? "" : " (%s)".formatted(y.job()),
                        Figures.millilitres(y.each().ml()),
                        Figures.count((long) y.each().uses(), "car", "cars"),
                        Figures.volume(y.each().bottleMl()),
                        promised);
    }

    private static BottleLine bottle(Bottle b, LocalDate today) {
        String came = b.comeBy().equals("undisclosed") ? "come by: not told" : b.comeBy();
        return new BottleLine(
                b.id(),
                "%s, %s%s%s"
                        .formatted(
                                Figures.millilitres(b.sizeMl()),
                                came,
                                b.comeByOn()
                                        .map(d -> " " + Figures.day(d, today))
                                        .orElse(""),
                                b.openedOn()
                                        .map(d -> ", opened " + Figures.day(d, today))
                                        .orElse(", unopened")),
                b.openedOn().isEmpty());
    }

    private static PourLine pour(Pour p, LocalDate today) {
        String what = switch (p.kind()) {
            case "mixed" ->
                "%s in %s%s%s"
                        .formatted(
                                Figures.millilitres(p.productMl()),
                                Figures.volume(p.productMl() + p.waterMl().orElse(0.0)),
                                p.job().isEmpty() ? "" : ", " + p.job(),
                                p.vesselName()
                                        .map(v -> ", " + v.toLowerCase(java.util.Locale.ROOT))
                                        .orElse(""));
            case "weighed" ->
                p.productMl() >= 0
                        ? "%s found gone by weighing".formatted(Figures.millilitres(p.productMl()))
                        : "%s more found by weighing".formatted(Figures.millilitres(-p.productMl()));
            default ->
                "%s poured%s"
                        .formatted(Figures.millilitres(p.productMl()), p.job().isEmpty() ? "" : ", " + p.job());
        };
        return new PourLine(p.id(), Figures.day(p.on(), today), what, p.undone());
    }

    private static StudyLine study(Taking t, ProductStock stock, LocalDate today) {
        boolean over = t.until().isBefore(today);
        var lasting = stock.outlook().studies().stream()
                .filter(l -> l.study() == t.study())
                .findFirst();
        boolean wanting = stock.remaining().sizeMl() > 0
                && lasting.filter(l -> !l.lasts()).isPresent();
        return new StudyLine(
                t.study(),
                t.question(),
                (over ? "ended " : "until ") + Figures.day(t.until(), today),
                over || stock.remaining().sizeMl() == 0
                        ? ""
                        : wanting
                                ? "%s too little to the end"
                                        .formatted(Figures.millilitres(
                                                lasting.orElseThrow().wantingMl()))
                                : "lasts to the end",
                wanting);
    }

    /** What has a day it should be used by: opened bottles, and mixes that still stand in their vessels. */
    private static List<Line> keeping(Product product, List<Bottle> bottles, List<Pour> pours, LocalDate today) {
        List<Line> lines = new ArrayList<>();
        product.label().one(Claim.Keeps.class).ifPresent(keeps -> {
            for (Bottle b : bottles) {
                b.openedOn()
                        .ifPresent(opened -> lines.add(until(
                                "The bottle opened " + Figures.day(opened, today),
                                opened,
                                keeps.amount(),
                                keeps.unit(),
                                today)));
            }
        });
        product.label().one(Claim.MixKeeps.class).ifPresent(keeps -> {
            Set<Long> seen = new HashSet<>();
            for (Pour p : pours) {
                if (!p.undone() && p.vessel().isPresent() && seen.add(p.vessel().get())) {
                    lines.add(until(
                            "The mix in the %s"
                                    .formatted(p.vesselName().orElse("").toLowerCase(java.util.Locale.ROOT)),
                            p.on(),
                            keeps.amount(),
                            keeps.unit(),
                            today));
                }
            }
        });
        return lines;
    }

    private static Line until(String what, LocalDate from, Span amount, Unit unit, LocalDate today) {
        LocalDate end = from.plusDays((long) (unit.toCanonical(amount.low()) / Unit.DAY.toCanonical(1)));
        boolean past = end.isBefore(today);
        return new Line(
                past
                        ? "%s kept until %s by the label. Don't trust it now.".formatted(what, Figures.day(end, today))
                        : "%s keeps until %s by the label.".formatted(what, Figures.day(end, today)),
                past);
    }

    private static Acid acid(Product product, List<Strip> strips, LocalDate today) {
        Optional<Span> label = product.label().one(Claim.Ph.class).map(Claim.Ph::value);
        List<Dot> dots = new ArrayList<>();
        List<Line> lines = new ArrayList<>();
        for (Strip s : strips) {
            boolean far = label.filter(l -> Acidity.far(s.ph(), l)).isPresent();
            dots.add(new Dot(svg(s.ph() * SCALE), far));
            String read = "pH %s %s, %s"
                    .formatted(
                            Figures.typed(s.ph()),
                            s.meter().isEmpty() ? "on a strip" : "by " + s.meter(),
                            Figures.day(s.on(), today));
            lines.add(new Line(
                    label.map(l -> far
                                    ? "%s: %s beyond the label's %s. Read it once more; if that agrees, trust what was read and handle it so."
                                            .formatted(read, Figures.typed(Acidity.beyond(s.ph(), l)), l.written())
                                    : "%s: agrees with the label.".formatted(read))
                            .orElse(read + ". The label tells none."),
                    far));
        }
        Span told = label.orElse(Span.of(0));
        return new Acid(
                svg(told.low() * SCALE - (told.single() ? 4 : 0)),
                svg(Math.max(8, (told.high() - told.low()) * SCALE)),
                label.isPresent(),
                dots,
                lines);
    }
}
