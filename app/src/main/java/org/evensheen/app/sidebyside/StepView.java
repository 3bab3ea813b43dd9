package org.evensheen.app.sidebyside;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.measure.Level;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Part;
import org.evensheen.core.sidebyside.Bottle;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Later;
import org.evensheen.core.sidebyside.Move;
import org.evensheen.core.sidebyside.Question;
import org.evensheen.core.sidebyside.Said;
import org.evensheen.core.sidebyside.Step;
import org.evensheen.core.water.Wetting;

/**
 * A step as it is shown.
 *
 * @param number from 1, among all steps
 * @param back key of the step before it; empty for the first
 * @param type what it is, in small letters
 * @param goes what goes on which place, for steps that need it
 * @param unit beside a number
 * @param whole whether a number is counted, so that plus and minus make sense
 * @param seconds whether it is a time in seconds, so that a stopwatch can take it
 * @param probe code of the kind of instrument that can fill it; empty if none can
 * @param slips what can go wrong with it
 * @param ladder where it is written down what a step of a ladder was done with; empty else
 * @param base the step after which it falls due; empty if it does not fall due later
 * @param minutes after that; −1 for the next morning
 * @param due when it falls due, ms since 1970; 0 if that is not known yet, or it is due already
 */
record StepView(
        int number,
        String back,
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
        boolean whole,
        boolean seconds,
        String probe,
        List<Integer> calls,
        List<Slipped> slips,
        String ladder,
        boolean photo,
        String base,
        int minutes,
        long due,
        boolean done,
        boolean current,
        UUID send) {

    /**
     * What stands where.
     *
     * @param clock the field of its clock; empty if it has none
     * @param least and {@code most}: how long its label lets it stay, s; 0 if it does not say
     * @param asks what its label asks for
     */
    record Goes(
            String code, String place, String name, String clock, long least, long most, String window, String asks) {}

    /**
     * An answer that is a tap.
     *
     * @param drawing what a level looks like, as a path; empty for others
     */
    record Answer(String value, String big, String words, String drawing) {
        Answer(String value, String big, String words) {
            this(value, big, words, "");
        }
    }

    /** What can go wrong, as a box to tick. */
    record Slipped(String field, String words) {}

    static StepView of(Comparison c, List<Step> steps, int at, boolean current, Instant now, ZoneId zone) {
        Step step = steps.get(at);
        boolean number = step.type() == Step.Type.NUMBER;
        Measure measure = step.question().flatMap(Question::measure).orElse(null);
        return new StepView(
                at + 1,
                at == 0 ? "" : steps.get(at - 1).key(),
                step.key(),
                step.key().replace('/', '-'),
                step.type().name().toLowerCase(java.util.Locale.ROOT),
                StepWords.title(c, step),
                StepWords.how(step),
                step.move().map(Move::caution).orElse(""),
                step.places(),
                goes(c, step),
                answers(step),
                number && measure != null ? measure.unit() : "",
                number && measure != null && measure.parts().get(0) instanceof Part.Number n && n.whole(),
                number && measure != null && measure.unit().equals("s"),
                number && measure != null ? measure.probe().map(Probe::code).orElse("") : "",
                step.type() == Step.Type.MARKS ? Comparison.CALLS : List.of(),
                slips(step),
                step.move()
                        .filter(Move::rung)
                        .map(m -> "with/%d/%s".formatted(step.round(), m.code()))
                        .orElse(""),
                step.type() == Step.Type.BEFORE
                        || step.type() == Step.Type.LEVEL
                        || number
                        || step.type() == Step.Type.RUNG,
                step.base().orElse(""),
                step.question()
                        .flatMap(Question::later)
                        .map(Later::minutes)
                        .map(m -> m == 0 ? -1 : m)
                        .orElse(0),
                step.due(zone)
                        .filter(d -> d.isAfter(now))
                        .map(Instant::toEpochMilli)
                        .orElse(0L),
                step.done(),
                current,
                UUID.randomUUID());
    }

    private static List<Slipped> slips(Step step) {
        return step.move().stream()
                .flatMap(m -> m.slips().stream()
                        .map(s -> new Slipped("went/%d/%s/%s".formatted(step.round(), m.code(), s.code()), s.words())))
                .toList();
    }

    private static List<Goes> goes(Comparison c, Step step) {
        return step.type() == Step.Type.DO || step.type() == Step.Type.DOSE || step.type() == Step.Type.PAINT
                ? step.places().stream().map(code -> goes(c, step, code)).toList()
                : List.of();
    }

    private static Goes goes(Comparison c, Step step, String code) {
        Bottle bottle = c.bottle(c.on(code).number());
        boolean timed = step.move().filter(Move::timed).isPresent();
        return new Goes(
                code,
                StepWords.place(c, code),
                c.on(code).name(),
                timed ? "stays/%s/%s".formatted(step.move().orElseThrow().code(), code) : "",
                timed ? bottle.waitSeconds().map(w -> Math.round(w.low())).orElse(0L) : 0,
                timed ? bottle.waitSeconds().map(w -> Math.round(w.high())).orElse(0L) : 0,
                timed ? StepWords.window(bottle) : "",
                bottle.asked().stream().findFirst().map(d -> d.print()).orElse(""));
    }

    private static List<Answer> answers(Step step) {
        return switch (step.type()) {
            case PAINT ->
                Stream.of(
                                new Answer(Said.SPARE, "A piece I can spare", ""),
                                new Answer(
                                        Said.PAINT, step.key().equals("paint/1") ? "On paint" : "On paint, I know", ""))
                        .toList();
            case RUNG ->
                List.of(
                        new Answer(Said.STANDS, "still there", ""),
                        new Answer(Said.WEAKER, "weaker", ""),
                        new Answer(Said.GONE, "gone", ""));
            case BEFORE -> levels((Level) Measures.ofCode("dirt").orElseThrow());
            case LEVEL -> levels((Level) step.question().orElseThrow().measure().orElseThrow());
            case DO ->
                step.move().filter(Move::wets).isPresent()
                        ? Stream.of(Wetting.values())
                                .map(w -> new Answer(w.code(), w.word(), w.label()))
                                .toList()
                        : List.of();
            case PAIR -> step.places().stream().map(p -> new Answer(p, p, "")).toList();
            default -> List.of();
        };
    }

    private static List<Answer> levels(Level level) {
        return IntStream.rangeClosed(0, Level.MOST)
                .mapToObj(n -> new Answer("" + n, "" + n, level.said(n), LevelDrawing.of(level, n)))
                .toList();
    }
}
