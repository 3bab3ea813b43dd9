package org.evensheen.app.runsheet;

import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.Place;
import org.evensheen.core.mixing.SectionDose;
import org.evensheen.core.units.Span;

/** Amounts of steps in words. */
final class StepWords {
    private StepWords() {}

    /** "3 sprays", "0.8 mL". */
    static String amount(SectionDose dose, double amount) {
        return dose.counter()
                .map(c -> Figures.compact(amount, 3) + " " + (amount == 1 ? c.word() : c.words()))
                .orElseGet(() -> Figures.withUnit(Figures.compact(amount, 2), "mL"));
    }

    /** "label: 3–5 sprays per section of 60 × 60 cm; on this one 1.7–2.8 sprays (2–3.2 mL)". */
    static String range(SectionDose dose, Optional<Span> ml) {
        boolean scaled = Math.abs(dose.share() - 1) > 0.01;
        String here =
                span(dose.amount()) + " " + dose.counter().map(Counter::words).orElse("mL");
        String volume = dose.counter().isPresent()
                ? ml.map(v -> " (%s mL)".formatted(span(v))).orElse("")
                : "";
        return "Label: %s%s."
                        .formatted(
                                dose.asked().print(),
                                scaled
                                        ? "%s; on this section %s%s"
                                                .formatted(
                                                        dose.asked()
                                                                        .countedFor()
                                                                        .equals(Optional.of(Place.PANEL))
                                                                ? ", taken as 1 m²"
                                                                : "",
                                                        here,
                                                        volume)
                                        : volume)
                + (dose.aim() > dose.amount().high() ? over(dose, ml) : "");
    }

    /** On a small section the least that can be counted may be more than its share. */
    private static String over(SectionDose dose, Optional<Span> ml) {
        return " A single %s is %s times that%s."
                .formatted(
                        dose.counter().map(Counter::word).orElse("one"),
                        Figures.number(dose.aim() / dose.amount().high(), 1),
                        ml.map(v -> "; measure %s mL where it matters".formatted(span(v)))
                                .orElse(""));
    }

    private static String span(Span span) {
        return span.single()
                ? Figures.compact(span.low(), 2)
                : Figures.compact(span.low(), 2) + "–" + Figures.compact(span.high(), 2);
    }

    /** What was given on a section, in words. */
    static String given(Optional<SectionDose> dose, Optional<Double> given, String used) {
        String amount = dose.map(d -> amount(d, given.orElse(d.aim())) + (given.isEmpty() ? ", as planned" : ""))
                .orElse("");
        return amount.isEmpty() ? used : used.isEmpty() ? amount : amount + "; " + used;
    }
}
