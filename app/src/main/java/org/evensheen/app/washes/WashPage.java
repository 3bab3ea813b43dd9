package org.evensheen.app.washes;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Filled;

/** Where a wash is logged: with what stands chosen, one tap does it. */
record WashPage(
        List<Choice> vehicles, List<Choice> days, List<Choice> soaps, List<Line> lately, Filled filled, UUID key) {

    /**
     * Something to choose.
     *
     * @param more what is known of it, short
     */
    record Choice(String value, String name, String more, boolean chosen) {}

    /** A wash that was logged. */
    record Line(long id, String words, boolean undone) {}

    /** Days back that a wash can still be logged for. */
    private static final int WEEK = 7;

    static WashPage of(
            List<WashStore.Vehicle> vehicles,
            List<WashStore.Soap> soaps,
            List<WashStore.Washed> lately,
            Filled filled,
            LocalDate today) {
        String vehicle = filled.in(
                "vehicle",
                vehicles.stream().findFirst().map(WashStore.Vehicle::name).orElse(""));
        String product = filled.in(
                "product",
                lately.stream().anyMatch(w -> !w.undone() && w.product().isPresent())
                        ? soaps.stream().findFirst().map(s -> "" + s.id()).orElse("")
                        : "");
        return new WashPage(
                vehicles.stream()
                        .map(v -> new Choice(
                                v.name(), v.name(), more(v, today), v.name().equals(vehicle)))
                        .toList(),
                IntStream.rangeClosed(0, WEEK)
                        .mapToObj(d -> new Choice(
                                "" + d,
                                ago(today.minusDays(d), today),
                                "",
                                filled.in("ago", "0").equals("" + d)))
                        .toList(),
                soaps.stream()
                        .map(s -> new Choice(
                                "" + s.id(),
                                s.name(),
                                s.lastMl()
                                        .map(ml -> Figures.millilitres(ml) + " last time")
                                        .orElse(""),
                                product.equals("" + s.id())))
                        .toList(),
                lately.stream()
                        .map(w -> new Line(w.id(), words(w, today), w.undone()))
                        .toList(),
                filled,
                UUID.randomUUID());
    }

    /** Whether nothing it is washed with stands chosen. */
    public boolean plain() {
        return soaps.stream().noneMatch(Choice::chosen);
    }

    private static String more(WashStore.Vehicle v, LocalDate today) {
        String last = v.last().map(day -> "washed " + ago(day, today)).orElse("not washed yet");
        return v.running() == 0
                ? last
                : "%s; on %s".formatted(last, Figures.count(v.running(), "study that runs", "studies that run"));
    }

    private static String ago(LocalDate day, LocalDate today) {
        long days = java.time.temporal.ChronoUnit.DAYS.between(day, today);
        return days <= 0 ? "today" : days == 1 ? "yesterday" : days + " days ago";
    }

    private static String words(WashStore.Washed w, LocalDate today) {
        return "%s: %s%s%s"
                .formatted(
                        Figures.day(w.on(), today),
                        w.vehicle(),
                        w.product().map(p -> ", " + p).orElse(""),
                        w.ml().map(ml -> ", " + Figures.millilitres(ml)).orElse(""));
    }

    /** What is wrong with the amount, the vehicle or the product; empty if nothing is. */
    public String wrong() {
        return Stream.of("vehicle", "ago", "with", "amount")
                .map(filled::wrong)
                .filter(p -> !p.isEmpty())
                .collect(Collectors.joining(" "));
    }
}
