package org.evensheen.app.sidebyside;

import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.Surface;
import org.evensheen.core.layout.Places;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.sidebyside.Bottle;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Kind;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;
import org.jspecify.annotations.Nullable;

/** A comparison as the database has it, in the names of its columns. */
record Stored(
        String kind,
        String shape,
        long seed,
        List<String> asked,
        OffsetDateTime begun_at,
        List<Entered> contenders,
        List<Place> places,
        List<Said> said) {

    /** The label that counts. */
    record Labelled(long id, String line) {}

    /**
     * A contender.
     *
     * @param label none for what was only typed, and for a product without one
     * @param counters "counter mL" of each calibration that counts
     */
    record Entered(
            int number,
            @Nullable Long product_id,
            String name,
            String way,
            @Nullable Labelled label,
            List<String> counters) {
        private Bottle bottle(LabelOf labels) {
            return product_id == null
                    ? Bottle.UNKNOWN
                    : Stored.bottle(
                            label == null ? Label.BLANK : labels.read(label.id, label.line),
                            ProductStore.calibrations(counters));
        }

        /** What is on the Shelf is a product, also by a way of its own; what was only typed is told in words. */
        private Contender contender() {
            return product_id != null
                    ? new Contender(
                            number,
                            name,
                            Role.PRODUCT,
                            Optional.empty(),
                            Source.UNDISCLOSED,
                            way.isEmpty() ? Contender.Kind.PRODUCT : Contender.Kind.METHOD,
                            way)
                    : new Contender(
                            number,
                            "",
                            Role.PRODUCT,
                            Optional.empty(),
                            Source.UNDISCLOSED,
                            Contender.Kind.ROUTINE,
                            way.isEmpty() ? name : shortened(name + ", " + way));
        }
    }

    record Place(
            String code,
            int contender,
            int round,
            double x_mm,
            double y_mm,
            double width_mm,
            double height_mm,
            boolean by_hand,
            String name) {

        private Section section() {
            return new Section(code, contender, round, x_mm, y_mm, width_mm, height_mm, by_hand, name);
        }
    }

    record Said(String step, String value, String said_by, boolean knew, OffsetDateTime said_at) {
        private org.evensheen.core.sidebyside.Said said() {
            return new org.evensheen.core.sidebyside.Said(step, value, said_by, knew, said_at.toInstant());
        }
    }

    static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static Optional<Places> shape(String word) {
        return Arrays.stream(Places.values()).filter(p -> word(p).equals(word)).findFirst();
    }

    /** Reads a label, by its number, from its line. */
    interface LabelOf {
        Label read(long id, String line);
    }

    Comparison comparison(LabelOf labels) {
        return new Comparison(
                Kind.ofCode(kind).orElseThrow(),
                shape(shape).orElseThrow(),
                seed,
                contenders.stream().map(Entered::contender).toList(),
                contenders.stream().map(c -> c.bottle(labels)).toList(),
                places.stream().map(Place::section).toList(),
                new LinkedHashSet<>(asked),
                said.stream().map(Said::said).toList(),
                begun_at.toInstant());
    }

    /** What the label says that an afternoon can use; the price by the largest bottle that has one. */
    private static Bottle bottle(Label label, List<Calibration> calibrations) {
        OptionalDouble size = label.offers().stream()
                .max(Comparator.comparing((Claim.Offer o) -> o.price().isPresent())
                        .thenComparingDouble(Claim.Offer::ml))
                .map(o -> OptionalDouble.of(o.ml()))
                .orElse(OptionalDouble.empty());
        return new Bottle(
                label.uses().stream().map(Claim.Use::dose).toList(),
                calibrations,
                label.one(Claim.Wait.class).map(Claim.Wait::seconds),
                label.offers().stream()
                        .filter(o -> o.price().isPresent())
                        .max(Comparator.comparingDouble(Claim.Offer::ml))
                        .map(o -> o.price().orElseThrow().over(o.ml())),
                size,
                Stream.of(Claim.Yield.Of.values())
                        .filter(of -> size.isPresent()
                                && label.promised(of, size.getAsDouble()).isPresent())
                        .collect(Collectors.toMap(
                                of -> of,
                                of -> label.promised(of, size.getAsDouble()).orElseThrow())),
                label.one(Claim.NotFor.class)
                        .filter(f -> f.surfaces().contains(Surface.PAINT))
                        .isPresent());
    }

    private static String shortened(String text) {
        return text.length() <= Contender.WAY ? text : text.substring(0, Contender.WAY);
    }
}
