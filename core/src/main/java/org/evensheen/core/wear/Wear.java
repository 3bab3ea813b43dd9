package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.evensheen.core.comparing.Compared;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.StudyRecord;

/**
 * How long the products of a study last on one measure, counted on one axis: facts, without words.
 *
 * @param until the day up to which it was looked at
 * @param lives empty without a section that was visited
 * @param overTime shares averaged over the whole time, compared; empty with fewer than two products
 * @param over exposure over which they were averaged: the longest that all sections share
 * @param promises one a promise of a label, by contender
 * @param byChemical what each chemical took by itself
 */
public record Wear(
        Measure measure,
        Axis axis,
        int until,
        Curves curves,
        Map<Integer, Fitted> fitted,
        Optional<Lives> lives,
        Optional<Lives.Ranking> ranking,
        OptionalDouble logRank,
        Optional<Compared> overTime,
        double over,
        List<Promise> promises,
        ByChemical byChemical) {

    /** Raised whenever the same readings could give other facts. */
    public static final int METHOD = 1;

    /**
     * Works it out.
     *
     * @param labels of contenders by number, as far as they may be seen
     * @throws IllegalArgumentException for a measure of which nothing can be kept, see {@link Curves#keeps}
     */
    public static Wear of(StudyRecord study, Measure measure, Axis axis, int until, Map<Integer, Label> labels) {
        if (!Curves.keeps(measure)) {
            throw new IllegalArgumentException(measure.label() + " has no share that is left");
        }
        Curves curves = Curves.of(study, measure, axis, until);
        List<Curve> first = curves.first();
        Map<Integer, Fitted> fitted = new TreeMap<>(Fitted.all(first));
        List<Life> lives = first.stream()
                .filter(c -> c.points().stream().anyMatch(p -> p.x() > 0))
                .flatMap(c -> c.life().stream())
                .toList();
        double span = first.stream()
                .flatMap(c -> c.points().stream())
                .mapToDouble(Curve.Point::x)
                .max()
                .orElse(0);
        Optional<Lives> fit = lives.isEmpty() || span <= 0 ? Optional.empty() : Optional.of(Lives.fit(lives, span));
        double over = first.stream()
                .filter(c -> !c.points().isEmpty())
                .mapToDouble(c -> c.points().get(c.points().size() - 1).x())
                .min()
                .orElse(0);
        List<Compared.Value> means = new ArrayList<>();
        for (Curve c : first) {
            c.mean(over).ifPresent(m -> means.add(new Compared.Value(c.contender(), c.row(), m)));
        }
        return new Wear(
                measure,
                axis,
                until,
                curves,
                fitted,
                fit,
                fit.filter(l -> l.products().size() > 1)
                        .map(l -> l.ranking(study.seed() * 31 + measure.code().hashCode() + axis.ordinal())),
                Survival.logRankP(lives),
                Compared.of(means),
                over,
                promises(study, axis, curves, fit, fitted, labels),
                ByChemical.of(study, curves));
    }

    private static List<Promise> promises(
            StudyRecord study,
            Axis axis,
            Curves curves,
            Optional<Lives> lives,
            Map<Integer, Fitted> fitted,
            Map<Integer, Label> labels) {
        List<Promise> promises = new ArrayList<>();
        Exposure exposure = new Exposure(study);
        int since = curves.first().stream().mapToInt(Curve::from).min().orElse(0);
        for (Contender contender : study.contenders()) {
            Label label = labels.get(contender.number());
            if (label == null) {
                continue;
            }
            for (Claim claim : label.claims()) {
                double low;
                double high;
                Axis counted;
                if (claim instanceof Claim.Lasts lasts) {
                    counted = Axis.WEEKS;
                    low = lasts.weeks().low();
                    high = lasts.weeks().high();
                } else if (claim instanceof Claim.LastsWashes lasts) {
                    counted = Axis.WASHES;
                    low = lasts.number().low();
                    high = lasts.number().high();
                } else {
                    continue;
                }
                if (counted != axis) {
                    continue;
                }
                int number = contender.number();
                if (!exposure.logged(axis, since)) {
                    promises.add(without(number, axis, claim.print(), low, high, Promise.State.NOT_LOGGED));
                } else if (lives.filter(l -> l.products().contains(number)).isEmpty()) {
                    promises.add(without(number, axis, claim.print(), low, high, Promise.State.NO_CURVE));
                } else {
                    promises.add(Promise.of(
                            number,
                            axis,
                            claim.print(),
                            low,
                            high,
                            lives.get(),
                            Optional.ofNullable(fitted.get(number))));
                }
            }
        }
        return List.copyOf(promises);
    }

    private static Promise without(
            int contender, Axis axis, String said, double low, double high, Promise.State state) {
        return new Promise(contender, axis, said, low, high, state, OptionalDouble.empty(), 0, OptionalDouble.empty());
    }

    /** From so much more exposure of one product than of another on they are not fairly compared on this axis. */
    public static final double UNFAIR = 1.25;

    /** Exposure of each product at its latest visit, where the most is more than {@link #UNFAIR} times the least; else empty. */
    public Map<Integer, Double> unevenExposure() {
        Map<Integer, Double> spans = new TreeMap<>();
        curves.first()
                .forEach(c -> c.points().stream()
                        .mapToDouble(Curve.Point::x)
                        .max()
                        .ifPresent(x -> spans.merge(c.contender(), x, Math::max)));
        double most = spans.values().stream().mapToDouble(x -> x).max().orElse(0);
        double least = spans.values().stream().mapToDouble(x -> x).min().orElse(0);
        return most > UNFAIR * least ? spans : Map.of();
    }

    /** Promises of a contender. */
    public List<Promise> promisesOf(int contender) {
        return promises.stream().filter(p -> p.contender() == contender).toList();
    }
}
