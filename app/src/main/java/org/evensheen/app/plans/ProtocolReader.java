package org.evensheen.app.plans;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.evensheen.app.labels.Product;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Protocol;
import org.evensheen.core.planning.Protocol.Chemical;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.planning.Protocol.Prep;
import org.evensheen.core.planning.Protocol.Scheme;
import org.evensheen.core.planning.Protocol.Washes;
import org.evensheen.core.planning.Protocol.Wear;
import org.evensheen.core.planning.Protocol.Weeks;
import org.evensheen.core.schedule.Plan.Planned;

/** Reads how a study is to be done from what was typed. */
final class ProtocolReader {
    private final Fields fields;
    private final Map<String, Product> byName;
    private final List<Measure> readable;

    /** @param readable what can be asked for */
    ProtocolReader(Fields fields, Map<String, Product> byName, List<Measure> readable) {
        this.fields = fields;
        this.byName = byName;
        this.readable = readable;
    }

    Protocol read(List<Entrant> entrants) {
        Set<Prep> prep = EnumSet.noneOf(Prep.class);
        for (Prep step : Prep.values()) {
            if (fields.on("prep-" + step.code())) {
                prep.add(step);
            }
        }
        double asked = entrants.stream()
                .flatMap(e -> e.slowest().stream())
                .mapToDouble(Entrant.Layer::dryHours)
                .max()
                .orElse(0);
        return new Protocol(
                prep,
                fields.on("prove"),
                fields.number("cure", "cure", "h", 0, 24 * 60, asked),
                measures(),
                wear(),
                fields.on("gauge"),
                fields.on("weather"),
                fields.on("blind"),
                fields.on("toppers"));
    }

    private List<Planned> measures() {
        List<Planned> measures = new ArrayList<>();
        for (Measure measure : readable) {
            int repeats = fields.whole(measure.code(), "number of repeats", "", 0, 20, 0);
            if (repeats > 0 && repeats < measure.leastRepeats()) {
                fields.wrong(measure.code(), measure.whyRepeats());
            }
            if (repeats > 0) {
                measures.add(new Planned(measure, repeats));
            }
        }
        if (measures.isEmpty()) {
            fields.wrong(
                    "pull", "Nothing is measured. Say how often each section is read with one instrument at least.");
            measures.add(new Planned(Measures.PULL, 3));
        }
        return measures;
    }

    private Wear wear() {
        return switch (fields.in("wear")) {
            case "washes" ->
                new Washes(
                        fields.whole("perVisit", "washes before a visit", "", 1, 50, 3),
                        fields.whole("washDays", "days from wash to wash", "days", 1, 60, 3),
                        fields.whole("washVisits", "number of visits", "", 1, 60, 6));
            case "chemicals" -> chemicals();
            default ->
                new Weeks(
                        fields.whole("every", "days from visit to visit", "days", 1, 120, 7),
                        fields.whole("visits", "number of visits", "", 1, 60, 8),
                        fields.whole("washEvery", "days from wash to wash", "days", 0, 90, 0));
        };
    }

    private Wear chemicals() {
        List<Chemical> chemicals = new ArrayList<>();
        for (int i = 0; i < Fields.MOST_CHEMICALS; i++) {
            String name = fields.text("chem" + i, 80);
            if (name.isEmpty()) {
                continue;
            }
            Optional<Product> product = Optional.ofNullable(byName.get(name.toLowerCase(Locale.ROOT)));
            if (chemicals.stream().anyMatch(c -> c.name().equalsIgnoreCase(name))) {
                fields.wrong("chem" + i, "“%s” is listed twice.".formatted(name));
            }
            chemicals.add(new Chemical(
                    product.map(Product::name).orElse(name),
                    product.map(Product::hazards).orElseGet(TreeSet::new)));
        }
        if (chemicals.isEmpty()) {
            fields.wrong("chem0", "Name a chemical to dose with, from the Shelf if it is there.");
            chemicals.add(new Chemical("a chemical", new TreeSet<>()));
        }
        return new Chemicals(
                chemicals,
                Scheme.ofCode(fields.in("scheme")).orElse(Scheme.STACKED),
                fields.whole("doseDays", "days from dose to dose", "days", 1, 60, 1),
                fields.on("aboutOne"));
    }
}
