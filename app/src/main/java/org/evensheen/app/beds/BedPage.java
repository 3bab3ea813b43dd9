package org.evensheen.app.beds;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.evensheen.app.page.Figures;

/** Page models of the beds. */
final class BedPage {
    private static final double ROW = 1200;
    private static final double TALLEST = 330;
    private static final double LARGEST_UNIT = 0.34;

    private BedPage() {}

    /** Beds of one vehicle, side by side at one scale. */
    record Vehicle(String name, List<Standing> beds) {}

    /** A bed on the list. */
    record Standing(long id, String name, BedDrawing drawing, String size, String traits) {}

    static List<Vehicle> list(List<Bed> beds, LocalDate today) {
        Map<String, List<Bed>> byVehicle = new LinkedHashMap<>();
        beds.forEach(b -> byVehicle
                .computeIfAbsent(b.vehicle().isEmpty() ? "Loose" : b.vehicle(), v -> new ArrayList<>())
                .add(b));
        return byVehicle.entrySet().stream()
                .sorted(Comparator.comparing((Map.Entry<String, List<Bed>> e) ->
                                e.getValue().get(0).vehicle().isEmpty())
                        .thenComparing(e -> -e.getValue().size()))
                .map(e -> new Vehicle(e.getKey(), standing(e.getValue(), today)))
                .toList();
    }

    private static List<Standing> standing(List<Bed> beds, LocalDate today) {
        double all = beds.stream().mapToDouble(Bed::widthMm).sum();
        double highest = beds.stream().mapToDouble(Bed::heightMm).max().orElse(1);
        double unit = Math.min(LARGEST_UNIT, Math.min((ROW - 60.0 * beds.size()) / all, TALLEST / highest));
        return beds.stream()
                .map(b -> new Standing(
                        b.id(), b.name(), BedDrawing.of(b.shape(), unit, List.of(), today), size(b), traits(b)))
                .toList();
    }

    static String size(Bed bed) {
        return Figures.size(bed.widthMm(), bed.heightMm());
    }

    static String traits(Bed bed) {
        List<String> said = new ArrayList<>(List.of(bed.kind().label()));
        if (!bed.traits().colour().isEmpty()) {
            said.add(bed.traits().colour());
        }
        said.add("paint " + bed.traits().hardness().label());
        said.add("tilt " + Figures.compact(bed.traits().tiltDegrees(), 3) + "°");
        if (!bed.traits().lives().isEmpty()) {
            said.add(bed.traits().lives());
        }
        return String.join(" · ", said);
    }

    /** A study on a bed. */
    record Study(long id, String question, String words, boolean runs) {}

    static List<Study> studies(List<PlaceInUse> uses, LocalDate today) {
        Map<Long, List<PlaceInUse>> byStudy = new LinkedHashMap<>();
        uses.forEach(
                u -> byStudy.computeIfAbsent(u.study(), s -> new ArrayList<>()).add(u));
        return byStudy.values().stream()
                .map(sections -> {
                    PlaceInUse any = sections.get(0);
                    boolean runs = any.runsOn(today);
                    String until = Figures.day(any.until(), today);
                    return new Study(
                            any.study(),
                            any.question(),
                            "%s, from %s. %s"
                                    .formatted(
                                            Figures.count(sections.size(), "section", "sections"),
                                            Figures.day(any.from(), today),
                                            runs
                                                    ? "In use until " + until + "."
                                                    : "Read until " + until + "; products may still be on it. "
                                                            + claims(sections, today)),
                            runs);
                })
                .toList();
    }

    private static String claims(List<PlaceInUse> sections, LocalDate today) {
        long within = sections.stream()
                .filter(s -> s.claimedWeeks()
                        .filter(w -> s.from().plusDays(Math.round(7 * w)).isAfter(today))
                        .isPresent())
                .count();
        return within == 0
                ? "No label claims that long."
                : "%s within the time the label claims.".formatted(within == 1 ? "One is" : within + " are");
    }
}
