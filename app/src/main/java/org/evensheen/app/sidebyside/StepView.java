package org.evensheen.app.sidebyside;

import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.evensheen.core.measure.Level;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Question;
import org.evensheen.core.sidebyside.Step;
import org.evensheen.core.study.Section;

/**
 * A step as it is shown.
 *
 * @param type what it is, in small letters
 * @param goes what goes on which place, for steps that need it
 * @param unit beside a number
 */
record StepView(
        String key,
        String id,
        String type,
        String title,
        String how,
        String caution,
        List<String> places,
        List<Goes> goes,
        List<Answer> answers,
        String unit,
        List<Integer> calls,
        boolean done,
        boolean current,
        UUID send) {

    /** What stands where. */
    record Goes(String code, String place, String name) {}

    /** An answer that is a tap. */
    record Answer(String value, String big, String words) {}

    static StepView of(Comparison c, Step step, boolean current) {
        String at = step.places().size() == 1 ? place(c, step.places().get(0)) : "";
        return new StepView(
                step.key(),
                step.key().replace('/', '-'),
                step.type().name().toLowerCase(java.util.Locale.ROOT),
                title(c, step, at),
                how(step),
                step.move().map(m -> m.caution()).orElse(""),
                step.places(),
                goes(c, step),
                answers(step),
                step.type() == Step.Type.NUMBER
                        ? step.question().orElseThrow().measure().orElseThrow().unit()
                        : "",
                step.type() == Step.Type.MARKS ? Comparison.CALLS : List.of(),
                step.done(),
                current,
                UUID.randomUUID());
    }

    private static String place(Comparison c, String code) {
        return c.places().stream()
                .filter(p -> p.code().equals(code))
                .findFirst()
                .map(Section::name)
                .orElse("");
    }

    private static String title(Comparison c, Step step, String at) {
        return switch (step.type()) {
            case BEFORE -> "How dirty is %s, the %s?".formatted(step.places().get(0), at);
            case DOSE -> "How much goes on each?";
            case DO -> step.move().orElseThrow().title();
            case PAIR -> step.question().orElseThrow().ask();
            case MARKS -> step.question().orElseThrow().ask();
            case LEVEL, NUMBER ->
                step.question().orElseThrow().ask().replaceFirst("\\?$", "")
                        + " on %s?".formatted(step.places().get(0));
        };
    }

    private static String how(Step step) {
        return switch (step.type()) {
            case BEFORE -> "Look at it dry, in the shade.";
            case DOSE -> "Write what you put on, or take the labels' word. Alike is what counts.";
            case DO -> step.move().orElseThrow().how();
            default -> step.question().map(Question::how).orElse("");
        };
    }

    private static List<Goes> goes(Comparison c, Step step) {
        return step.type() == Step.Type.DO || step.type() == Step.Type.DOSE
                ? step.places().stream()
                        .map(code -> new Goes(code, place(c, code), c.on(code).name()))
                        .toList()
                : List.of();
    }

    private static List<Answer> answers(Step step) {
        return switch (step.type()) {
            case BEFORE -> levels((Level) Measures.ofCode("dirt").orElseThrow());
            case LEVEL -> levels((Level) step.question().orElseThrow().measure().orElseThrow());
            case PAIR -> step.places().stream().map(p -> new Answer(p, p, "")).toList();
            default -> List.of();
        };
    }

    private static List<Answer> levels(Level level) {
        return IntStream.rangeClosed(0, Level.MOST)
                .mapToObj(n -> new Answer("" + n, "" + n, level.said(n)))
                .toList();
    }
}
