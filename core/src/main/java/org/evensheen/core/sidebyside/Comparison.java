package org.evensheen.core.sidebyside;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Level;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Part;
import org.evensheen.core.measure.Value;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;

/**
 * An afternoon as far as it has come: who stands where, what is asked, and what was said. It never changes; another answer makes another one.
 *
 * @param shape what it is done on
 * @param seed behind the lots and the order of pairs
 * @param contenders two to eight, by number
 * @param places of all rounds; a round is a row, and a place keeps its name from round to round
 * @param asked codes of the questions that are asked
 * @param said every answer that stands, in the order in which it was given
 * @param begun when it was begun
 */
public record Comparison(
        Kind kind,
        Places shape,
        long seed,
        List<Contender> contenders,
        List<Section> places,
        Set<String> asked,
        List<Said> said,
        Instant begun) {
    /** Fewest and most contenders. */
    public static final int LEAST = 2;

    public static final int MOST = 8;

    /** From so many on not every pair is asked, but a ring that joins all. */
    private static final int RING = 4;

    /** Everything is one look of one day, as one course after another would only split what belongs together. */
    private static final Occasion NOW = new Occasion(0, Stage.AFTER);

    public Comparison {
        if (contenders.size() < LEAST || contenders.size() > MOST) {
            throw new IllegalArgumentException("two to eight are compared, not " + contenders.size());
        }
        contenders = List.copyOf(contenders);
        places = places.stream()
                .sorted(Comparator.comparingInt(Section::row).thenComparingDouble(Section::xMm))
                .toList();
        asked = Set.copyOf(asked);
        said = List.copyOf(said);
    }

    /** How many rounds there are. */
    public int rounds() {
        return places.stream().mapToInt(Section::row).max().orElse(1);
    }

    /** Places of a round, from left to right. */
    public List<Section> round(int round) {
        return places.stream().filter(p -> p.row() == round).toList();
    }

    public Contender on(String code) {
        return places.stream()
                .filter(p -> p.code().equals(code))
                .findFirst()
                .map(p -> contenders.get(p.contender()))
                .orElseThrow(() -> new IllegalArgumentException("there is no place " + code));
    }

    /** The last answer to each step. */
    private Map<String, Said> last() {
        Map<String, Said> last = new LinkedHashMap<>();
        for (Said s : said) {
            last.remove(s.step());
            if (!s.value().equals(Said.UNDO)) {
                last.put(s.step(), s);
            }
        }
        return last;
    }

    /** The questions that are asked, in order. */
    public List<Question> questions() {
        return kind.questions().stream().filter(q -> asked.contains(q.code())).toList();
    }

    /** All steps, round by round, in the order of the work. */
    public List<Step> steps() {
        Map<String, Said> last = last();
        List<Step> steps = new ArrayList<>();
        for (int round = 1; round <= rounds(); round++) {
            steps(round, last, steps);
        }
        return List.copyOf(steps);
    }

    private void steps(int round, Map<String, Said> last, List<Step> steps) {
        List<String> codes = round(round).stream().map(Section::code).toList();
        if (kind.dirty()) {
            codes.forEach(c -> steps.add(step("before/" + c, Step.Type.BEFORE, round, List.of(c), last)));
        }
        steps.add(step("dose/" + round, Step.Type.DOSE, round, codes, last));
        ask(Question.FIRST, round, codes, last, steps);
        for (int m = 0; m < kind.moves().size(); m++) {
            Move move = kind.moves().get(m);
            boolean needed = m == mainMove()
                    || questions().stream().anyMatch(q -> q.after().equals(move.code()));
            if (needed) {
                steps.add(new Step(
                        "do/" + round + "/" + move.code(),
                        Step.Type.DO,
                        round,
                        codes,
                        Optional.empty(),
                        Optional.of(move),
                        Optional.ofNullable(last.get("do/" + round + "/" + move.code()))));
                ask(move.code(), round, codes, last, steps);
            }
        }
    }

    /** The move without which nothing would be done at all. */
    private int mainMove() {
        return IntStream.range(0, kind.moves().size())
                .filter(m -> kind.questions().stream()
                        .anyMatch(q -> q.usual()
                                && q.after().equals(kind.moves().get(m).code())))
                .findFirst()
                .orElse(0);
    }

    private Step step(String key, Step.Type type, int round, List<String> codes, Map<String, Said> last) {
        return new Step(
                key, type, round, codes, Optional.empty(), Optional.empty(), Optional.ofNullable(last.get(key)));
    }

    private void ask(String after, int round, List<String> codes, Map<String, Said> last, List<Step> steps) {
        for (Question q : questions()) {
            if (!q.after().equals(after)) {
                continue;
            }
            switch (q.form()) {
                case MARKS -> steps.add(foam(q, round, codes, last));
                case LEVEL ->
                    codes.forEach(
                            c -> steps.add(asking(q.code() + "/" + c, Step.Type.LEVEL, round, List.of(c), q, last)));
                case NUMBER ->
                    codes.forEach(
                            c -> steps.add(asking(q.code() + "/" + c, Step.Type.NUMBER, round, List.of(c), q, last)));
                case PAIR ->
                    pairs(q, round, codes)
                            .forEach(p -> steps.add(
                                    asking(q.code() + "/" + String.join("/", p), Step.Type.PAIR, round, p, q, last)));
            }
        }
    }

    /** Minutes at which the clock calls for foam. */
    public static final List<Integer> CALLS = List.of(0, 1, 3, 5);

    /** Foam is answered when it was read on every place at the last call, or when somebody says so. */
    private Step foam(Question q, int round, List<String> codes, Map<String, Said> last) {
        Step step = asking(q.code() + "/" + round, Step.Type.MARKS, round, codes, q, last);
        String end = "/" + CALLS.get(CALLS.size() - 1);
        boolean read = codes.stream().allMatch(c -> last.containsKey("foam/" + c + end));
        return step.done() || !read
                ? step
                : new Step(
                        step.key(),
                        step.type(),
                        round,
                        codes,
                        step.question(),
                        step.move(),
                        Optional.of(last.get("foam/" + codes.get(codes.size() - 1) + end)));
    }

    private Step asking(String key, Step.Type type, int round, List<String> codes, Question q, Map<String, Said> last) {
        return new Step(key, type, round, codes, Optional.of(q), Optional.empty(), Optional.ofNullable(last.get(key)));
    }

    /** Pairs of a question in drawn order, each in drawn order: every pair of three or fewer, else a ring that joins all. */
    List<List<String>> pairs(Question q, int round, List<String> codes) {
        Random random = new Random(seed * 31 + q.code().hashCode() * 7L + round);
        List<List<String>> pairs = new ArrayList<>();
        int n = codes.size();
        if (n < RING) {
            for (int i = 0; i < n; i++) {
                for (int j = i + 1; j < n; j++) {
                    pairs.add(drawn(codes.get(i), codes.get(j), random));
                }
            }
        } else {
            List<String> ring = new ArrayList<>(codes);
            java.util.Collections.shuffle(ring, random);
            for (int i = 0; i < n; i++) {
                pairs.add(drawn(ring.get(i), ring.get((i + 1) % n), random));
            }
        }
        java.util.Collections.shuffle(pairs, random);
        return pairs;
    }

    private static List<String> drawn(String one, String other, Random random) {
        return random.nextBoolean() ? List.of(one, other) : List.of(other, one);
    }

    /**
     * What is wrong with an answer; empty if it can be taken.
     *
     * @param step a step's key, or a mark of foam below one
     */
    public Optional<String> wrong(String step, String value) {
        if (value.isBlank() || value.length() > LONGEST) {
            return Optional.of("Say something, in up to %d characters.".formatted(LONGEST));
        }
        if (step.equals("note") || value.equals(Said.UNDO)) {
            return Optional.empty();
        }
        if (step.startsWith("odd/") || step.startsWith("dose/")) {
            return places.stream().anyMatch(p -> step.endsWith("/" + p.code())) || step.matches("dose/[1-9]")
                    ? Optional.empty()
                    : Optional.of("There is no such place. Open the comparison again.");
        }
        if (step.startsWith("foam/") && step.split("/").length == 3) {
            return places.stream().anyMatch(p -> step.startsWith("foam/" + p.code() + "/"))
                            && mark(value).isPresent()
                    ? Optional.empty()
                    : Optional.of("A mark of foam is a minute and a height from 0 to 5000, like 1:78.");
        }
        Optional<Step> meant =
                steps().stream().filter(s -> s.key().equals(step)).findFirst();
        if (meant.isEmpty()) {
            return Optional.of("There is no such step here. Open the comparison again.");
        }
        if (value.equals(Said.SKIP)) {
            return Optional.empty();
        }
        return fits(meant.get(), value);
    }

    private static final int LONGEST = 200;

    private Optional<String> fits(Step step, String value) {
        return switch (step.type()) {
            case DO, MARKS, DOSE ->
                value.equals(Said.DONE) || step.type() == Step.Type.DOSE
                        ? Optional.empty()
                        : Optional.of("That is done or skipped.");
            case BEFORE, LEVEL ->
                value.matches("[0-5]") ? Optional.empty() : Optional.of("A level runs from 0 to 5. Choose one.");
            case PAIR ->
                value.equals(Said.SAME) || step.places().contains(value)
                        ? Optional.empty()
                        : Optional.of("Choose %s, or no difference.".formatted(String.join(" or ", step.places())));
            case NUMBER ->
                typed(step.question().orElseThrow().measure().orElseThrow(), value)
                        .problem();
        };
    }

    private record Typed(Optional<Observation> seen, Optional<String> problem) {}

    private static Typed typed(Measure measure, String value) {
        var read = org.evensheen.core.measure.TypedReading.of(measure, Map.of(Part.FIRST, value));
        return new Typed(read.seen(), read.problems().values().stream().findFirst());
    }

    private static Optional<Value.Mark> mark(String value) {
        if (!value.matches("\\d{1,3}(\\.\\d{1,2})?:\\d{1,4}(\\.\\d)?")) {
            return Optional.empty();
        }
        String[] sides = value.split(":", -1);
        double height = Double.parseDouble(sides[1]);
        return height > 5000 ? Optional.empty() : Optional.of(new Value.Mark(Double.parseDouble(sides[0]), height));
    }

    /** Marks of foam that stand on a place, by minute. */
    public List<Value.Mark> foam(String code) {
        return last().values().stream()
                .filter(s ->
                        s.step().startsWith("foam/" + code + "/") && !s.value().equals(Said.SKIP))
                .flatMap(s -> mark(s.value()).stream())
                .sorted(Comparator.comparingDouble(Value.Mark::minute))
                .toList();
    }

    /** What was seen on a place, for a question with a measure; empty while nothing was. */
    public Optional<Observation> seen(Question q, String code) {
        Measure measure = q.measure().orElseThrow();
        if (q.form() == Question.Form.MARKS) {
            List<Value.Mark> marks = foam(code);
            boolean enough = marks.size() > 1
                    && marks.get(0).minute() == 0
                    && marks.get(0).value() > 0
                    && IntStream.range(1, marks.size())
                            .allMatch(i ->
                                    marks.get(i).minute() > marks.get(i - 1).minute());
            return enough
                    ? Optional.of(new Observation(
                            measure.readAs(), List.of(new Value.Chosen("jar-mm"), new Value.Series(marks))))
                    : Optional.empty();
        }
        return said(q.code() + "/" + code)
                .filter(v -> !v.equals(Said.SKIP))
                .flatMap(v -> measure instanceof Level level
                        ? Optional.of(level.seen(Integer.parseInt(v)))
                        : typed(measure, v).seen());
    }

    /** The level of dirt on a place before; empty if it was not looked at. */
    public Optional<Integer> before(String code) {
        return said("before/" + code).filter(v -> v.matches("[0-5]")).map(Integer::valueOf);
    }

    /** What was odd about a place from the beginning: cleaner, hotter, in the sun; empty if nothing was said. */
    public Optional<String> odd(String code) {
        return said("odd/" + code).filter(v -> !v.equals(Said.SKIP));
    }

    /** What stands of a step. */
    public Optional<String> said(String step) {
        return Optional.ofNullable(last().get(step)).map(Said::value);
    }

    /** Answers about pairs of places, the same pair asked again too. */
    Stream<Step> ballots(Question q) {
        return steps().stream()
                .filter(s -> s.type() == Step.Type.PAIR && s.question().equals(Optional.of(q)))
                .filter(s ->
                        s.answer().filter(a -> !a.value().equals(Said.SKIP)).isPresent());
    }

    /** A record of what was seen for one question, as every judge takes it; its rounds are rows. */
    StudyRecord record(Question q, Measure measure) {
        List<Reading> readings = new ArrayList<>();
        for (Section place : places) {
            seen(q, place.code()).ifPresent(o -> readings.add(new Reading(place.code(), NOW, 1, o)));
        }
        return new StudyRecord(
                seed,
                contenders,
                places,
                new Plan(List.of(new Plan.Planned(measure.readAs(), 1)), List.of(NOW), Course.JAR),
                List.of(),
                readings);
    }

    /** A place for each contender once more, with sides exchanged: every contender moves on to the next place. */
    public List<Section> exchanged() {
        List<Section> before = round(rounds());
        int n = before.size();
        List<Section> next = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Section place = before.get(i);
            next.add(new Section(
                    code(places.size() + i),
                    before.get((i + n - 1) % n).contender(),
                    place.row() + 1,
                    place.xMm(),
                    place.yMm() + place.heightMm() + 40,
                    place.widthMm(),
                    place.heightMm(),
                    false,
                    place.name()));
        }
        return next;
    }

    private static String code(int n) {
        return n < 26 ? String.valueOf((char) ('A' + n)) : code(n / 26 - 1) + (char) ('A' + n % 26);
    }
}
