package org.evensheen.app.lives;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.wear.Since;
import org.evensheen.core.wear.Wear;

/** What has changed since the visit before, section by section, in words. */
record SinceThen(String title, String note, List<Changed> products) {

    /** A product with its sections, and their mean. */
    record Changed(String name, String sections, String mean) {}

    /** Of the latest visit; empty if nothing was read twice. */
    static Optional<SinceThen> of(Wear wear, IntFunction<String> name) {
        return Since.of(wear.curves(), wear.until()).map(s -> of(s, wear.measure(), name));
    }

    private static SinceThen of(Since since, Measure measure, IntFunction<String> name) {
        Map<Integer, String> means = new TreeMap<>();
        since.compared()
                .ifPresent(c -> c.lines()
                        .forEach(l -> means.put(
                                l.contender(),
                                LifeWords.change(measure, l.mean().value()) + " "
                                        + LifeWords.changeUnit(measure)
                                        + (c.freedom() > 0
                                                ? " (%s to %s)"
                                                        .formatted(
                                                                LifeWords.change(
                                                                        measure,
                                                                        l.mean()
                                                                                .interval()
                                                                                .low()),
                                                                LifeWords.change(
                                                                        measure,
                                                                        l.mean()
                                                                                .interval()
                                                                                .high()))
                                                : ""))));
        return new SinceThen(
                since.then().isPresent()
                        ? "From day %d to day %d, section by section"
                                .formatted(since.then().getAsInt(), since.now())
                        : "From the first readings to day %d, section by section".formatted(since.now()),
                "Against bare of the same day, both times."
                        + (measure.benefitIsShare() ? " A point is 1 % of what bare reads." : ""),
                since.lines().stream()
                        .map(Since.Line::contender)
                        .distinct()
                        .sorted()
                        .map(n -> new Changed(
                                name.apply(n),
                                since.lines().stream()
                                        .filter(l -> l.contender() == n)
                                        .map(l -> l.section() + " " + LifeWords.change(measure, l.change()))
                                        .collect(Collectors.joining(", ")),
                                means.getOrDefault(n, "")))
                        .toList());
    }
}
