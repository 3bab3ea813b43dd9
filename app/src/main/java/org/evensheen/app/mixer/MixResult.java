package org.evensheen.app.mixer;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.labels.Product;
import org.evensheen.app.mixer.VesselStore.Vessel;
import org.evensheen.app.page.Figures;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.Claim;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.FoamBottle;
import org.evensheen.core.mixing.Mix;
import org.evensheen.core.mixing.Reading;
import org.evensheen.core.stock.Remaining;
import org.evensheen.core.units.Unit;
import org.jspecify.annotations.Nullable;

/**
 * The millilitres, and what they come to.
 *
 * @param productMl the figure to measure out
 * @param against how the strength stands to the label; may be empty
 * @param off whether it lies outside of the label
 * @param other the other reading of 1:N, where it makes a difference
 * @param lines what else follows, each a line
 * @param place where the slider stands
 */
record MixResult(
        String product,
        String productMl,
        String productOunces,
        String counted,
        String waterMl,
        String totalMl,
        String dose,
        String against,
        boolean off,
        @Nullable Other other,
        VesselDrawing drawing,
        List<String> lines,
        List<String> warnings,
        int place) {
    /** Both readings are shown where they differ by more, mL. */
    static final double READINGS_DIFFER = 1;

    /** The other reading of a ratio. */
    record Other(String parts, String partsMl, String share, String shareMl, boolean inParts) {}

    /** What there is to know beside the setup. */
    record Known(Optional<Remaining> remaining, List<String> meetings, LocalDate today) {}

    /** The result; empty until there is a strength and a volume. */
    static Optional<MixResult> of(MixSetup setup, Known known) {
        if (setup.share().isEmpty()
                || setup.totalMl().isEmpty()
                || !setup.dose().orElseThrow().mixed()) {
            return Optional.empty();
        }
        double share = setup.share().get();
        Mix mix = Mix.of(setup.totalMl().get(), share);
        Dose dose = setup.dose().orElseThrow();
        Optional<Departure> departure =
                setup.strength().flatMap(Strength::label).map(span -> Departure.of(share, span));
        List<String> warnings = new ArrayList<>(known.meetings);
        known.remaining.ifPresent(r -> shortage(mix, share, r).ifPresent(warnings::add));
        return Optional.of(new MixResult(
                setup.product().map(Product::name).orElse("product"),
                Figures.millilitres(mix.productMl()),
                Figures.otherwise(mix.productMl()),
                counted(mix, setup.product().map(Product::calibrations).orElse(List.of())),
                Figures.volume(mix.waterMl()),
                Figures.volume(mix.totalMl()),
                dose.print(),
                departure.map(d -> against(d, setup)).orElse(""),
                departure.filter(d -> !d.within()).isPresent(),
                other(dose, mix),
                VesselDrawing.of(setup.vessel().map(Vessel::shape).orElse("bucket"), mix),
                lines(setup, known, mix, share),
                warnings,
                (int) Math.round(setup.strength().map(s -> s.place(share)).orElse(0.0))));
    }

    private static String against(Departure departure, MixSetup setup) {
        String range = setup.use().orElseThrow().dose().print();
        return switch (departure.side()) {
            case WITHIN -> "As the label says: " + range + ".";
            case ABOVE ->
                "%s the label's upper dose (%s).%s"
                        .formatted(
                                Figures.times(departure.factor()),
                                range,
                                departure.grave() ? " A study on this is thin at most." : "");
            case BELOW -> "%s the label's lower dose (%s).".formatted(Figures.times(departure.factor()), range);
        };
    }

    private static @Nullable Other other(Dose dose, Mix mix) {
        if (!(dose instanceof Dose.Dilution ratio)
                || !ratio.n().single()
                || ratio.n().low() <= 1) {
            return null;
        }
        double parts =
                Mix.of(mix.totalMl(), Reading.PARTS.share(ratio.n().low())).productMl();
        double share =
                Mix.of(mix.totalMl(), Reading.SHARE.share(ratio.n().low())).productMl();
        if (Math.abs(parts - share) <= READINGS_DIFFER) {
            return null;
        }
        String n = Figures.typed(ratio.n().low());
        return new Other(
                "one part and %s of water".formatted(n),
                Figures.millilitres(parts),
                "one part in %s of mix".formatted(n),
                Figures.millilitres(share),
                ratio.reading() == Reading.PARTS);
    }

    private static String counted(Mix mix, List<Calibration> calibrations) {
        StringBuilder words = new StringBuilder();
        for (Calibration c : calibrations) {
            double count = mix.productMl() / c.mlEach();
            words.append(words.isEmpty() ? "" : " · ")
                    .append(Figures.compact(count, count < 10 ? 2 : 3))
                    .append(" ")
                    .append(count == 1 ? c.counter().word() : c.counter().words());
        }
        return words.toString();
    }

    private static Optional<String> shortage(Mix mix, double share, Remaining r) {
        if (r.sizeMl() == 0 || mix.productMl() <= r.leftMl()) {
            return Optional.empty();
        }
        return Optional.of(
                r.leftMl() < 0.5
                        ? "By the log the bottle is empty. Weigh what is left, or put the new bottle on the Shelf."
                        : "Only %s are left: enough for %s of this mix."
                                .formatted(Figures.millilitres(r.leftMl()), Figures.volume(r.leftMl() / share)));
    }

    private static List<String> lines(MixSetup setup, Known known, Mix mix, double share) {
        List<String> lines = new ArrayList<>();
        setup.flow().ifPresent(f -> {
            double panel = new FoamBottle(mix.totalMl(), f.seconds(), f.nozzleMlPerSecond()).shareAtPanel(share);
            lines.add("At the panel %s, 1 in %s: the nozzle thins it %s times."
                    .formatted(
                            Figures.withUnit(Figures.significant(panel * 100, 3), "%"),
                            Figures.compact(1 / panel, 3),
                            Figures.compact(share / panel, 2)));
        });
        known.remaining.filter(r -> r.sizeMl() > 0 && mix.productMl() > 0).ifPresent(r -> {
            long fills = (long) Math.floor(r.leftMl() / mix.productMl() + 1e-9);
            long bottle = (long) Math.floor(r.sizeMl() / mix.productMl() + 1e-9);
            lines.add("%s left, %s a bottle%s."
                    .formatted(
                            Figures.count(fills, "fill", "fills"),
                            Figures.count(bottle, "fill", "fills"),
                            setup.product().filter(p -> p.kind().washes()).isPresent()
                                            && setup.vessel().isPresent()
                                    ? ": as many cars, at a fill a car"
                                    : ""));
        });
        setup.product().flatMap(p -> price(p, known.remaining)).ifPresent(o -> {
            Money fill = o.price().orElseThrow().times(mix.productMl()).over(o.ml());
            lines.add("%s a fill, from %s at %s."
                    .formatted(
                            Figures.money(fill),
                            o.sized(),
                            Figures.money(o.price().orElseThrow())));
        });
        setup.product().flatMap(p -> p.label().one(Claim.MixKeeps.class)).ifPresent(k -> {
            long days = (long) (k.unit().toCanonical(k.amount().low()) / Unit.DAY.toCanonical(1));
            lines.add("Mixed today it keeps until %s.".formatted(Figures.day(known.today.plusDays(days), known.today)));
        });
        return lines;
    }

    /** The offer of the bottle in use, else the first that has a price. */
    private static Optional<Claim.Offer> price(Product product, Optional<Remaining> remaining) {
        List<Claim.Offer> priced = product.label().offers().stream()
                .filter(o -> o.price().isPresent())
                .toList();
        return priced.stream()
                .filter(o -> remaining
                        .filter(r -> Math.abs(r.sizeMl() - o.ml()) < 0.5)
                        .isPresent())
                .findFirst()
                .or(() -> priced.stream().findFirst());
    }
}
