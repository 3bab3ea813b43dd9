package org.evensheen.app.sidebyside;

import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.evensheen.app.labels.Product;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.Surface;
import org.evensheen.core.layout.Places;
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

    record Entered(int number, @Nullable Long product_id, String name, String way) {
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

    /** Numbers of its products on the Shelf. */
    Stream<Long> products() {
        return contenders.stream().flatMap(c -> Optional.ofNullable(c.product_id).stream());
    }

    Comparison comparison(Map<Long, Product> onShelf) {
        return new Comparison(
                Kind.ofCode(kind).orElseThrow(),
                shape(shape).orElseThrow(),
                seed,
                contenders.stream().map(Entered::contender).toList(),
                contenders.stream()
                        .map(c -> Optional.ofNullable(c.product_id)
                                .map(onShelf::get)
                                .map(Stored::bottle)
                                .orElse(Bottle.UNKNOWN))
                        .toList(),
                places.stream().map(Place::section).toList(),
                new LinkedHashSet<>(asked),
                said.stream().map(Said::said).toList(),
                begun_at.toInstant());
    }

    /** What the label says that an afternoon can use; the price by the largest bottle that has one. */
    private static Bottle bottle(Product product) {
        Label label = product.label();
        return new Bottle(
                label.uses().stream().map(Claim.Use::dose).toList(),
                product.calibrations(),
                label.one(Claim.Wait.class).map(Claim.Wait::seconds),
                label.offers().stream()
                        .filter(o -> o.price().isPresent())
                        .max(Comparator.comparingDouble(Claim.Offer::ml))
                        .map(o -> o.price().orElseThrow().over(o.ml())),
                label.offers().stream()
                        .max(Comparator.comparing((Claim.Offer o) -> o.price().isPresent())
                                .thenComparingDouble(Claim.Offer::ml))
                        .map(o -> OptionalDouble.of(o.ml()))
                        .orElse(OptionalDouble.empty()),
                label.one(Claim.NotFor.class)
                        .filter(f -> f.surfaces().contains(Surface.PAINT))
                        .isPresent());
    }

    private static String shortened(String text) {
        return text.length() <= Contender.WAY ? text : text.substring(0, Contender.WAY);
    }
}
