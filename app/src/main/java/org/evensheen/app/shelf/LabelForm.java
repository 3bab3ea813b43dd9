package org.evensheen.app.shelf;

import java.time.LocalDate;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.labels.LabelStore;
import org.evensheen.app.labels.Product;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.TypedVolume;
import org.jspecify.annotations.Nullable;

/**
 * The form for a product's label, as sent and as shown again; nothing typed is lost when it comes back.
 *
 * @param problems by field name
 * @param view the line as read
 */
record LabelForm(
        Sent sent,
        Map<String, String> problems,
        LineView view,
        List<ProductKind> kinds,
        @Nullable Long product) {
    /** Where a bottle of a first label may come from, code and word. */
    static final Map<String, String> SOURCES = words();

    static final double SMALLEST_BOTTLE = 1;
    static final double LARGEST_BOTTLE = 250_000;

    /**
     * What the form sends.
     *
     * @param over number of the label that it was edited from
     * @param size what the first bottle holds; blank for no bottle
     */
    record Sent(
            String name,
            String kind,
            String line,
            int over,
            UUID key,
            String size,
            String comeBy,
            String comeByOn,
            String openedOn) {
        Sent {
            name = blank(name);
            kind = blank(kind);
            line = blank(line);
            size = blank(size);
            comeBy = comeBy == null || comeBy.isBlank() ? "bought" : comeBy;
            comeByOn = blank(comeByOn);
            openedOn = blank(openedOn);
        }

        private static String blank(@Nullable String text) {
            return text == null ? "" : text;
        }

        static Sent empty() {
            return new Sent("", "", "", 0, UUID.randomUUID(), "", "", "", "");
        }

        static Sent editing(Product product) {
            return new Sent(
                    product.name(),
                    product.kind().code(),
                    product.written(),
                    product.labelNumber(),
                    UUID.randomUUID(),
                    "",
                    "",
                    "",
                    "");
        }
    }

    /** A first bottle, if one was told. */
    record FirstBottle(double sizeMl, String comeBy, Optional<LocalDate> comeByOn, Optional<LocalDate> openedOn) {}

    /** The form with what can be drawn of it. */
    record Outcome(LabelForm form, Optional<LabelStore.Draft> draft, Optional<FirstBottle> bottle) {}

    static LabelForm show(Sent sent, @Nullable Long product, List<Calibration> calibrations, Optional<Currency> home) {
        return new LabelForm(
                sent,
                Map.of(),
                LineView.of(LabelLine.read(sent.line, home), calibrations),
                List.of(ProductKind.values()),
                product);
    }

    /** The line as it was typed; with its currency, if that was taken for granted, so that it means the same for good. */
    private static String settled(String typed, LabelLine.Outcome read) {
        return LabelLine.read(typed).label().equals(read.label())
                ? typed
                : read.label().print();
    }

    static Outcome read(
            Sent sent, @Nullable Long product, List<Calibration> calibrations, Optional<Currency> home, String by) {
        Map<String, String> problems = new LinkedHashMap<>();
        String name = PlainText.line(sent.name);
        if (!PlainText.readable(name)) {
            problems.put("name", "Write the name on the bottle.");
        } else if (name.length() > 80) {
            problems.put("name", "That has %d characters; 80 is the most.".formatted(name.length()));
        }
        Optional<ProductKind> kind = ProductKind.ofCode(sent.kind);
        if (kind.isEmpty()) {
            problems.put("kind", "Choose what it is for.");
        }
        LabelLine.Outcome line = LabelLine.read(sent.line, home);
        if (!line.problems().isEmpty()) {
            problems.put(
                    "line",
                    line.problems().size() == 1
                            ? "One part is not read yet; it is marked below."
                            : "%d parts are not read yet; they are marked below."
                                    .formatted(line.problems().size()));
        } else if (line.parts().isEmpty()) {
            problems.put("line", "Write one claim at least, like rinseless 1:240 or 500 mL.");
        }
        Optional<FirstBottle> bottle = sent.size.isBlank() ? Optional.empty() : bottle(sent, problems);
        LabelForm form =
                new LabelForm(sent, problems, LineView.of(line, calibrations), List.of(ProductKind.values()), product);
        Optional<LabelStore.Draft> draft = problems.isEmpty()
                ? Optional.of(new LabelStore.Draft(
                        Optional.ofNullable(product),
                        name,
                        kind.orElseThrow(),
                        sent.over,
                        settled(sent.line, line),
                        line.label(),
                        sent.key,
                        by))
                : Optional.empty();
        return new Outcome(form, draft, bottle);
    }

    private static Optional<FirstBottle> bottle(Sent sent, Map<String, String> problems) {
        TypedVolume size = TypedVolume.read(sent.size, "bottle", SMALLEST_BOTTLE, LARGEST_BOTTLE);
        if (size instanceof TypedVolume.Refused refused) {
            problems.put("size", refused.message());
        }
        Optional<LocalDate> came = date("comeByOn", sent.comeByOn, problems);
        Optional<LocalDate> opened = date("openedOn", sent.openedOn, problems);
        if (came.isPresent() && opened.isPresent() && opened.get().isBefore(came.get())) {
            problems.put("openedOn", "It can't have been opened before it came, on %s.".formatted(came.get()));
        }
        if (!SOURCES.containsKey(sent.comeBy)) {
            problems.put("comeBy", "Choose how it was come by.");
        }
        return size instanceof TypedVolume.Read read
                ? Optional.of(new FirstBottle(read.ml(), sent.comeBy, came, opened))
                : Optional.empty();
    }

    /** A day typed into a field; blank for none. */
    static Optional<LocalDate> date(String field, String typed, Map<String, String> problems) {
        if (typed.isBlank()) {
            return Optional.empty();
        }
        try {
            return Optional.of(OurTime.day(typed.strip()));
        } catch (IllegalArgumentException e) {
            problems.put(field, "Write the day like 2026-05-01.");
            return Optional.empty();
        }
    }

    /** What the page is called. */
    public String title() {
        return product == null ? "New product" : "Label of " + sent.name;
    }

    LabelForm with(String field, String problem) {
        Map<String, String> more = new LinkedHashMap<>(problems);
        more.put(field, problem);
        return new LabelForm(sent, more, view, kinds, product);
    }

    private static Map<String, String> words() {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("bought", "bought");
        words.put("gifted", "gifted");
        words.put("lent", "lent");
        words.put("sponsored", "sponsored");
        words.put("undisclosed", "not told");
        return words;
    }
}
