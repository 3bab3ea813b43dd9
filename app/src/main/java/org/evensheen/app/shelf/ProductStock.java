package org.evensheen.app.shelf;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.StockStore.Bottle;
import org.evensheen.app.labels.StockStore.Pour;
import org.evensheen.core.label.Claim;
import org.evensheen.core.stock.Outlook;
import org.evensheen.core.stock.Pace;
import org.evensheen.core.stock.RealYield;
import org.evensheen.core.stock.Remaining;
import org.evensheen.core.units.Span;

/**
 * What is left of a product, and how long it will do.
 *
 * @param perDay mL a day apart from studies
 * @param drawn whether anything is used of it at present
 * @param yield how many cars a bottle really does; empty unless cars are washed with it and it was mixed twice
 */
record ProductStock(Remaining remaining, double perDay, boolean drawn, Outlook outlook, Optional<RealYield> yield) {
    /** mL of a neat product on a section whose label names no amount. */
    static final double NEAT_ON_SECTION = 2;

    /** mL of a mix on a section whose label names no amount. */
    static final double MIX_ON_SECTION = 250;

    /**
     * That a product takes part in a study.
     *
     * @param applied whether it was put on yet
     * @param poured mL logged for the study so far
     */
    record Taking(
            long study,
            String question,
            LocalDate firstDay,
            LocalDate until,
            boolean applied,
            int sections,
            double poured) {}

    /** Washes, and mixes for washing, apart from studies; each is a car. */
    private static Optional<RealYield> really(Product product, List<Pour> pours, Remaining remaining) {
        return RealYield.of(
                pours.stream()
                        .filter(p -> p.study().isEmpty() && p.productMl() > 0)
                        .filter(p -> p.job().equals(RealYield.WASH)
                                || p.kind().equals("mixed") && product.kind().washes())
                        .map(p -> new RealYield.Use(p.job(), p.productMl()))
                        .toList(),
                remaining.sizeMl(),
                product.label());
    }

    static ProductStock of(
            Product product, List<Bottle> bottles, List<Pour> pours, List<Taking> studies, LocalDate today) {
        List<Pour> standing = pours.stream().filter(p -> !p.undone()).toList();
        Remaining remaining = Remaining.of(
                bottles.stream()
                        .sorted(Comparator.comparing((Bottle b) -> b.openedOn().orElse(LocalDate.MAX)))
                        .map(Bottle::sizeMl)
                        .toList(),
                standing.stream().mapToDouble(Pour::productMl).sum());
        double perDay = Pace.perDay(
                today,
                standing.stream()
                        .filter(p -> p.study().isEmpty())
                        .map(p -> new Pace.Used(p.on(), p.productMl()))
                        .toList());
        List<Outlook.Draw> draws = new ArrayList<>();
        for (Taking t : studies) {
            if (!t.until.isBefore(today)) {
                draws.add(draw(product, t, today));
            }
        }
        boolean drawn = perDay > 0 || draws.stream().anyMatch(d -> d.atOnce() > 0 || d.perDay() > 0);
        return new ProductStock(
                remaining,
                perDay,
                drawn,
                Outlook.of(today, remaining.leftMl(), perDay, draws),
                really(product, standing, remaining));
    }

    private static Outlook.Draw draw(Product product, Taking t, LocalDate today) {
        if (!t.applied) {
            LocalDate begins = t.firstDay.isBefore(today) ? today : t.firstDay;
            return new Outlook.Draw(t.study, begins, t.until, t.sections * onSection(product), 0);
        }
        long days = Math.max(7, ChronoUnit.DAYS.between(t.firstDay, today));
        return new Outlook.Draw(t.study, t.firstDay, t.until, 0, t.poured / days);
    }

    /** mL that all coats on one section take, by the label where it tells. */
    static double onSection(Product product) {
        double coats = product.label()
                .one(Claim.Coats.class)
                .map(c -> c.number().high())
                .orElse(1.0);
        Optional<Claim.Use> use = product.label().uses().stream().findFirst();
        double once = use.flatMap(u -> u.dose().onPlace(product.calibrations()))
                .map(Span::middle)
                .orElseGet(() -> use.filter(u -> u.dose().mixed())
                        .flatMap(u -> u.dose().shares(product.calibrations()))
                        .map(share -> share.middle() * MIX_ON_SECTION)
                        .orElse(NEAT_ON_SECTION));
        return coats * once;
    }
}
