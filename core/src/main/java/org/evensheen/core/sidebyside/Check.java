package org.evensheen.core.sidebyside;

import java.util.Map;
import java.util.Optional;
import org.evensheen.core.measure.Part;
import org.evensheen.core.measure.TypedReading;
import org.evensheen.core.study.Section;
import org.evensheen.core.water.Wetting;

/** Whether something can be an answer, and what to do if it can't. */
final class Check {
    private static final int LONGEST = 200;

    private Check() {}

    /**
     * What is wrong with an answer; empty if it can be taken.
     *
     * @param step a step's key, or a detail's
     */
    static Optional<String> wrong(Comparison c, String step, String value) {
        if (value.isBlank() || value.length() > LONGEST) {
            return Optional.of("Say something, in up to %d characters.".formatted(LONGEST));
        }
        if (value.equals(Said.UNDO)) {
            return Optional.empty();
        }
        if (Detail.is(step)) {
            return Detail.wrong(c, step, value);
        }
        if (step.endsWith("/more")) {
            return more(c, step.split("/"), value);
        }
        Optional<Step> meant =
                c.steps().stream().filter(s -> s.key().equals(step)).findFirst();
        if (meant.isEmpty()) {
            return Optional.of(gone(c, step).orElse("There is no such step here. Open the comparison again."));
        }
        return value.equals(Said.SKIP) ? Optional.empty() : fits(meant.get(), value);
    }

    /** An answer about a place that a step of the ladder has taken off. */
    private static Optional<String> gone(Comparison c, String step) {
        String code = step.substring(step.lastIndexOf('/') + 1);
        return c.places().stream()
                .map(Section::code)
                .filter(code::equals)
                .flatMap(p -> c.rungs().stream().filter(q -> c.gone(p, q)))
                .findFirst()
                .map(q -> "%s was gone after %s already. If it was not, go back to that step and say so."
                        .formatted(code, q.label()));
    }

    /** A pair that was asked for besides those that were drawn. */
    private static Optional<String> more(Comparison c, String[] key, String value) {
        boolean pair = key.length == 4
                && c.questions().stream()
                        .anyMatch(
                                q -> q.form() == Question.Form.PAIR && q.code().equals(key[0]))
                && !key[1].equals(key[2])
                && java.util.stream.IntStream.rangeClosed(1, c.rounds())
                        .mapToObj(c::round)
                        .map(r -> r.stream().map(Section::code).toList())
                        .anyMatch(codes -> codes.contains(key[1]) && codes.contains(key[2]));
        if (!pair) {
            return Optional.of("There is no such pair here. Open the comparison again.");
        }
        return value.equals(Said.SAME) || value.equals(Said.SKIP) || value.equals(key[1]) || value.equals(key[2])
                ? Optional.empty()
                : Optional.of("Choose %s or %s, or no difference.".formatted(key[1], key[2]));
    }

    private static Optional<String> fits(Step step, String value) {
        return switch (step.type()) {
            case DOSE -> Optional.empty();
            case DO, MARKS ->
                value.equals(Said.DONE) || way(step, value)
                        ? Optional.empty()
                        : Optional.of("That is done or skipped.");
            case PAINT ->
                value.equals(Said.PAINT) || value.equals(Said.SPARE)
                        ? Optional.empty()
                        : Optional.of("Say whether it goes on a piece you can spare.");
            case RUNG ->
                value.equals(Said.STANDS) || value.equals(Said.WEAKER) || value.equals(Said.GONE)
                        ? Optional.empty()
                        : Optional.of("Say whether it still stands, is weaker, or is gone.");
            case BEFORE, LEVEL ->
                value.matches("[0-5]") ? Optional.empty() : Optional.of("A level runs from 0 to 5. Choose one.");
            case PAIR ->
                value.equals(Said.SAME) || step.places().contains(value)
                        ? Optional.empty()
                        : Optional.of("Choose %s, or no difference.".formatted(String.join(" or ", step.places())));
            case NUMBER ->
                TypedReading.of(step.question().orElseThrow().measure().orElseThrow(), Map.of(Part.FIRST, value))
                        .problems()
                        .values()
                        .stream()
                        .findFirst();
        };
    }

    /** Whether it is a way of wetting, where that is asked. */
    private static boolean way(Step step, String value) {
        return step.move().filter(Move::wets).isPresent()
                && Wetting.ofCode(value).isPresent();
    }
}
