package org.evensheen.app.sidebyside;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.measure.Level;
import org.evensheen.core.mixing.Departure;
import org.evensheen.core.sidebyside.Bottle;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Dosed;
import org.evensheen.core.sidebyside.Question;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.sidebyside.Step;
import org.evensheen.core.units.Span;

/** The one place where the steps of an afternoon are told in words. */
final class StepWords {
    private StepWords() {}

    /** What a place is called. */
    static String place(Comparison c, String code) {
        return c.places().stream()
                .filter(p -> p.code().equals(code))
                .findFirst()
                .map(p -> SheetWords.place(c, p))
                .orElse("");
    }

    /** A step as a large line. */
    static String title(Comparison c, Step step) {
        return switch (step.type()) {
            case PAINT -> step.key().equals("paint/1") ? unmeant(c) : "On paint all the same?";
            case BEFORE -> {
                String code = step.places().get(0);
                String at = place(c, code);
                yield at.isEmpty()
                        ? "How dirty is %s?".formatted(code)
                        : "How dirty is %s, the %s?".formatted(code, at);
            }
            case DOSE -> "How much goes on each?";
            case DO -> step.move().orElseThrow().title();
            case PAIR ->
                step.again()
                        ? "Once more: "
                                + lowerFirst(step.question().orElseThrow().ask())
                        : step.question().orElseThrow().ask();
            case MARKS -> step.question().orElseThrow().ask();
            case RUNG ->
                "Is %s still there, after %s?"
                        .formatted(
                                step.places().get(0),
                                step.question().orElseThrow().label());
            case LEVEL, NUMBER ->
                step.question().orElseThrow().ask().replaceFirst("\\?$", "")
                        + " on %s?".formatted(step.places().get(0));
        };
    }

    private static String lowerFirst(String sentence) {
        return sentence.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + sentence.substring(1);
    }

    private static String unmeant(Comparison c) {
        return c.contenders().stream()
                        .filter(x -> c.bottle(x.number()).notForPaint())
                        .map(x -> x.name())
                        .collect(Collectors.joining(" and "))
                + " must not go on paint, its label says. What does it go on?";
    }

    static String how(Step step) {
        return switch (step.type()) {
            case PAINT ->
                step.key().equals("paint/1")
                        ? "A piece that you can spare: a loose panel, an old bonnet."
                        : "It can dull or stain paint for good. The sheet will say that it was done.";
            case BEFORE -> "Look at it dry, in the shade.";
            case DOSE -> "Write what you put on, or take the labels' word. Alike is what counts.";
            case DO -> step.move().orElseThrow().how();
            default -> step.question().map(Question::how).orElse("");
        };
    }

    /** What a dose comes to: both readings of a ratio, and how it stands to the label; empty if it is only words. */
    static String dose(String text, Bottle bottle) {
        return Dosed.read(text, bottle.calibrations())
                .map(d -> told(d) + departure(d.against(bottle)))
                .orElse("");
    }

    private static String told(Dosed d) {
        if (d.share().isPresent()) {
            Span share = d.share().get();
            String low = Figures.compact(1000 * share.low(), 3);
            String high = Figures.compact(1000 * share.high(), 3);
            return low.equals(high)
                    ? "%s mL in each litre".formatted(low)
                    : "%s or %s mL in each litre, as the label means it".formatted(low, high);
        }
        return d.count().isPresent() && d.ml().isPresent()
                ? "%s mL".formatted(Figures.compact(d.ml().getAsDouble(), 3))
                : "";
    }

    private static String departure(Optional<Departure> departure) {
        return departure
                .filter(d -> !d.within())
                .map(d -> d.side() == Departure.Side.ABOVE
                        ? "; %s × the most its label asks for".formatted(Figures.compact(d.factor(), 2))
                        : "; %s × the least its label asks for".formatted(Figures.compact(d.factor(), 2)))
                .orElse("");
    }

    /** How long it stays on by its label; empty if it does not say. */
    static String window(Bottle bottle) {
        return bottle.waitSeconds()
                .map(w -> "its label: " + (w.single() ? time(w.low()) : time(w.low()) + " to " + time(w.high())))
                .orElse("");
    }

    /** A time, in seconds up to a minute and a half. */
    static String time(double seconds) {
        return seconds < 90 ? Figures.compact(seconds, 2) + " s" : Figures.compact(seconds / 60, 2) + " min";
    }

    /** Says that somebody had answered before, so that two phones don't cover each other unseen; empty if nobody had. */
    static String beside(Comparison c, String step, String by) {
        List<Said> before = List.copyOf(c.answers().of(step));
        if (before.isEmpty()) {
            return "";
        }
        Optional<Said> own = before.stream().filter(s -> s.by().equals(by)).findFirst();
        return own.map(s -> "%s was answered on another phone: %s. Yours stands now; both are kept."
                        .formatted("It", said(c, s)))
                .orElseGet(() -> before.stream()
                                .map(s -> "%s said %s".formatted(s.by(), said(c, s)))
                                .collect(Collectors.joining(", "))
                        + ". Both stand.");
    }

    private static String said(Comparison c, Said s) {
        return c.steps().stream()
                .filter(step -> step.key().equals(s.step()))
                .findFirst()
                .flatMap(Step::question)
                .flatMap(Question::measure)
                .filter(m -> m instanceof Level && s.value().matches("[0-5]"))
                .map(m -> ((Level) m).said(Integer.parseInt(s.value())))
                .orElse(s.value().equals(Said.SAME) ? "no difference" : s.value());
    }
}
