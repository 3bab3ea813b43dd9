package org.evensheen.app.runsheet;

import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.Dose;
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

    /** "3 sprays", "2 sprays to 3 sprays": what goes on each of the sections, by their sizes. */
    static String each(List<SectionDose> doses) {
        DoubleSummaryStatistics aims =
                doses.stream().mapToDouble(SectionDose::aim).summaryStatistics();
        SectionDose any = doses.get(0);
        String least = amount(any, aims.getMin());
        String most = amount(any, aims.getMax());
        return least.equals(most) ? least : least + " to " + most;
    }

    /** What each of a day's chemicals asks on a section, as far as its label says it. */
    static String chemicals(Run run) {
        boolean several = run.input().chemicals().size() > 1;
        return run.input().chemicals().stream()
                .map(c -> {
                    List<SectionDose> doses = run.everywhere(c);
                    String asks = doses.isEmpty()
                            ? asked(c.label())
                            : (several ? each(doses) + " on each section. " : "On each section. ")
                                    + "Label: %s."
                                            .formatted(doses.get(0).asked().print());
                    return several ? c.product() + ": " + asks : asks;
                })
                .collect(Collectors.joining(" "));
    }

    /** What a label asks that can't be brought to a section. */
    private static String asked(Label label) {
        List<Dose> doses = label.uses().stream().map(Claim.Use::dose).toList();
        if (doses.isEmpty()) {
            return "Its label says no amount. Give every section the same.";
        }
        boolean mixed = doses.stream().anyMatch(d -> d.countedFor().isEmpty());
        return "Label: %s. %sEvery section the same."
                .formatted(
                        doses.stream().map(Dose::print).collect(Collectors.joining(", ")),
                        mixed ? "Mix it in the Mixer. " : "");
    }

    /** What was given on a section, in words. */
    static String given(Optional<SectionDose> dose, Optional<Double> given, String used) {
        String amount = dose.map(d -> amount(d, given.orElse(d.aim())) + (given.isEmpty() ? ", as planned" : ""))
                .orElse("");
        return amount.isEmpty() ? used : used.isEmpty() ? amount : amount + "; " + used;
    }
}
