package org.evensheen.app.answers;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** What is different in a report since the one before, in words. */
final class Changed {
    private Changed() {}

    static String since(Report before, Report now) {
        if (before.seal().equals(now.seal())) {
            return "Nothing: the same data by the same method.";
        }
        List<String> said = new ArrayList<>();
        if (!before.methods().equals(now.methods())) {
            said.add("The method has changed");
        }
        if (!before.reader().equals(now.reader())) {
            said.add("Weighed for “%s” instead of “%s”".formatted(now.reader(), before.reader()));
        }
        if (!before.trust().footing().equals(now.trust().footing())) {
            said.add("Footing %s instead of %s"
                    .formatted(now.trust().footing(), before.trust().footing()));
        }
        if (now.sideBySide() && !before.answer().equals(now.answer())) {
            said.add("It said before: “%s”".formatted(before.answer()));
        }
        Map<String, Integer> was = places(before);
        Map<String, Integer> is = places(now);
        is.forEach((product, place) -> {
            Integer old = was.get(product);
            if (old == null) {
                said.add("%s is new, at place %d".formatted(product, place));
            } else if (!old.equals(place)) {
                said.add("%s went from place %d to %d".formatted(product, old, place));
            }
        });
        was.keySet().stream()
                .filter(p -> !is.containsKey(p))
                .forEach(p -> said.add("%s is no longer ranked".formatted(p)));
        if (now.places().isEmpty() && !now.sideBySide()) {
            said.addAll(lines(before, now));
        }
        String when = now.sideBySide()
                ? "More was said"
                : now.ofAStudy() ? "Day %d".formatted(now.day()) : "As of %s".formatted(now.firstDay());
        return said.isEmpty()
                ? "%s: %s."
                        .formatted(
                                when,
                                before.readings().equals(now.readings())
                                        ? "the same places"
                                        : "new readings, the same places")
                : "%s: %s.".formatted(when, String.join("; ", said));
    }

    /** Where a product stands, table by table. */
    private static List<String> lines(Report before, Report now) {
        Map<String, String> was = byTable(before);
        return byTable(now).entrySet().stream()
                .filter(e -> !e.getValue().equals(was.get(e.getKey())))
                .map(e -> "%s: %s%s"
                        .formatted(
                                e.getKey(),
                                e.getValue(),
                                was.containsKey(e.getKey()) ? ", before " + was.get(e.getKey()) : ", which is new"))
                .toList();
    }

    private static Map<String, String> byTable(Report report) {
        return report.scales().stream()
                .filter(l -> l.contains(": "))
                .collect(Collectors.toMap(
                        l -> l.substring(0, l.indexOf(": ")),
                        l -> l.substring(l.indexOf(": ") + 2).replaceFirst("\\.$", ""),
                        (a, b) -> a,
                        TreeMap::new));
    }

    private static Map<String, Integer> places(Report report) {
        return report.places().stream()
                .collect(Collectors.toMap(Report.Place::product, Report.Place::place, (a, b) -> a, TreeMap::new));
    }
}
