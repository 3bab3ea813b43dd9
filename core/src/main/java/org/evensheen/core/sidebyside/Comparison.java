package org.evensheen.core.sidebyside;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Level;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Part;
import org.evensheen.core.measure.TypedReading;
import org.evensheen.core.measure.Value;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Course;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.Wetting;

/** An afternoon as far as it has come: who stands where, what is asked, and what was said. It never changes; another answer makes another one. */
public final class Comparison {
    /** Fewest and most contenders. */
    public static final int LEAST = 2;

    public static final int MOST = 8;

    /** Minutes at which the clock calls for foam. */
    public static final List<Integer> CALLS = List.of(0, 1, 3, 5);

    /** Everything is one look of one day, as one course after another would only split what belongs together. */
    private static final Occasion NOW = new Occasion(0, Stage.AFTER);

    private final Kind kind;
    private final Places shape;
    private final long seed;
    private final List<Contender> contenders;
    private final List<Bottle> bottles;
    private final List<Section> places;
    private final Set<String> asked;
    private final Answers answers;
    private final Instant begun;
    private final List<Step> steps;

    /**
     * @param shape what it is done on
     * @param seed behind the lots and the order of pairs
     * @param contenders two to eight, by number
     * @param bottles what their labels say, by number; empty if nothing is known of any
     * @param places of all rounds; a round is a row, and a place keeps its name from round to round
     * @param asked codes of the questions that are asked
     * @param said every answer, in the order in which it was given
     * @param begun when it was begun
     * @throws IllegalArgumentException unless there are two to eight contenders
     */
    public Comparison(
            Kind kind,
            Places shape,
            long seed,
            List<Contender> contenders,
            List<Bottle> bottles,
            List<Section> places,
            Set<String> asked,
            List<Said> said,
            Instant begun) {
        if (contenders.size() < LEAST || contenders.size() > MOST) {
            throw new IllegalArgumentException("two to eight are compared, not " + contenders.size());
        }
        this.kind = kind;
        this.shape = shape;
        this.seed = seed;
        this.contenders = List.copyOf(contenders);
        this.bottles = List.copyOf(bottles);
        this.places = places.stream()
                .sorted(Comparator.comparingInt(Section::row).thenComparingDouble(Section::xMm))
                .toList();
        this.asked = Set.copyOf(asked);
        this.answers = new Answers(said);
        this.begun = begun;
        this.steps = new Steps(this).all();
    }

    public Kind kind() {
        return kind;
    }

    public Places shape() {
        return shape;
    }

    public long seed() {
        return seed;
    }

    public List<Contender> contenders() {
        return contenders;
    }

    public List<Section> places() {
        return places;
    }

    public Set<String> asked() {
        return asked;
    }

    public Answers answers() {
        return answers;
    }

    /** All that was ever said, in order. */
    public List<Said> said() {
        return answers.all();
    }

    public Instant begun() {
        return begun;
    }

    /** What the label of a contender says. */
    public Bottle bottle(int contender) {
        return contender < bottles.size() ? bottles.get(contender) : Bottle.UNKNOWN;
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

    /** The questions that are asked, in order. */
    public List<Question> questions() {
        return kind.questions().stream().filter(q -> asked.contains(q.code())).toList();
    }

    /** The steps of the ladder, from the mildest, if it is one. */
    public List<Question> rungs() {
        return questions().stream().filter(q -> q.form() == Question.Form.RUNG).toList();
    }

    /** All steps, round by round, in the order of the work. */
    public List<Step> steps() {
        return steps;
    }

    /** What stands of a step, by whomever it was said last. */
    public Optional<String> said(String step) {
        return answers.latest(step).map(Said::value);
    }

    /** What is wrong with an answer; empty if it can be taken. */
    public Optional<String> wrong(String step, String value) {
        return Check.wrong(this, step, value);
    }

    /** Marks of foam that stand on a place, by minute. */
    public List<Value.Mark> foam(String code) {
        return answers.under("foam/" + code + "/")
                .flatMap(s -> Detail.mark(s.value()).stream())
                .sorted(Comparator.comparingDouble(Value.Mark::minute))
                .toList();
    }

    /** What was seen on a place, one for each who looked, for a question with a measure; empty while nobody did. */
    public List<Observation> seen(Question q, String code) {
        Measure measure = q.measure().orElseThrow();
        if (q.form() == Question.Form.MARKS) {
            return curve(measure, foam(code)).stream().toList();
        }
        return answers.of(q.code() + "/" + code).stream()
                .flatMap(s -> observed(q, s.value()))
                .toList();
    }

    /** What an answer to a question of a place says was seen; nothing if it was passed by. */
    static Stream<Observation> observed(Question q, String value) {
        Measure measure = q.measure().orElseThrow();
        if (value.equals(Said.SKIP)) {
            return Stream.empty();
        }
        return measure instanceof Level level
                ? Stream.of(level.seen(Integer.parseInt(value)))
                : typed(measure, value).stream();
    }

    private static Optional<Observation> curve(Measure measure, List<Value.Mark> marks) {
        boolean enough = marks.size() > 1
                && marks.get(0).minute() == 0
                && marks.get(0).value() > 0
                && IntStream.range(1, marks.size())
                        .allMatch(i -> marks.get(i).minute() > marks.get(i - 1).minute());
        return enough
                ? Optional.of(
                        new Observation(measure.readAs(), List.of(new Value.Chosen("jar-mm"), new Value.Series(marks))))
                : Optional.empty();
    }

    private static Optional<Observation> typed(Measure measure, String value) {
        return TypedReading.of(measure, Map.of(Part.FIRST, value)).seen();
    }

    /** The level of dirt on a place before; empty if it was not looked at. */
    public Optional<Integer> before(String code) {
        return said("before/" + code).filter(v -> v.matches("[0-5]")).map(Integer::valueOf);
    }

    /** What was odd about a place from the beginning: cleaner, hotter, in the sun; empty if nothing was said. */
    public Optional<String> odd(String code) {
        return said("odd/" + code).filter(v -> !v.equals(Said.SKIP));
    }

    /** What went wrong, over all rounds. */
    public Set<Slip> slips() {
        Set<Slip> slips = java.util.EnumSet.noneOf(Slip.class);
        answers.under("slip/")
                .flatMap(s -> Stream.of(s.value().split(" ")))
                .flatMap(s -> Slip.ofCode(s).stream())
                .forEach(slips::add);
        if (kind.moves().stream().anyMatch(m -> wetted(m.code()).size() > 1)) {
            slips.add(Slip.WETTING);
        }
        return slips;
    }

    /** In which ways it was wetted for looks by a move, over all rounds; more than one can't be set side by side. */
    public Set<Wetting> wetted(String move) {
        Set<Wetting> ways = java.util.EnumSet.noneOf(Wetting.class);
        for (int round = 1; round <= rounds(); round++) {
            said("do/%d/%s".formatted(round, move)).flatMap(Wetting::ofCode).ifPresent(ways::add);
        }
        return ways;
    }

    /** How much went on a place, as far as it can be read as an amount. */
    public Optional<Dosed> dosed(String code) {
        return said("dose/" + code)
                .flatMap(t -> Dosed.read(t, bottle(on(code).number()).calibrations()));
    }

    /** How a contender was come by; empty if nobody said. */
    public Optional<String> came(int contender) {
        return said("came/" + contender);
    }

    /** An answer about a pair, by one person. */
    record Ballot(Step step, Said said) {
        /** Whether the one that was named first won, the other, or neither: 1, −1, 0. */
        int way() {
            return said.value().equals(step.places().get(0))
                    ? 1
                    : said.value().equals(step.places().get(1)) ? -1 : 0;
        }
    }

    /** Answers about pairs, one a person; the same pair asked again too. */
    List<Ballot> ballots(Question q) {
        return steps.stream()
                .filter(s -> s.type() == Step.Type.PAIR && s.question().equals(Optional.of(q)))
                .flatMap(s -> answers.of(s.key()).stream().map(a -> new Ballot(s, a)))
                .filter(b -> !b.said().value().equals(Said.SKIP))
                .toList();
    }

    /** Whether a place gave way at a step of the ladder. */
    boolean gone(String code, Question rung) {
        return said(rung.code() + "/" + code).filter(Said.GONE::equals).isPresent();
    }

    /** After how many steps of the ladder a place still stood; empty while it is on the ladder. */
    public OptionalInt stood(String code) {
        List<Question> rungs = rungs();
        for (int i = 0; i < rungs.size(); i++) {
            Optional<String> looked = said(rungs.get(i).code() + "/" + code);
            if (looked.filter(Said.GONE::equals).isPresent()) {
                return OptionalInt.of(i);
            }
            if (looked.isEmpty()) {
                return OptionalInt.empty();
            }
        }
        return OptionalInt.of(rungs.size());
    }

    /** A record of what was seen for one question, as every judge takes it; its rounds are rows. */
    StudyRecord record(Question q, Measure measure) {
        List<Reading> readings = new ArrayList<>();
        for (Section place : places) {
            int repeat = 1;
            for (Observation o : seen(q, place.code())) {
                readings.add(new Reading(place.code(), NOW, repeat++, o));
            }
        }
        return record(measure, readings);
    }

    /** A record of how long places stood on the ladder. */
    StudyRecord ladder() {
        Measure rung = Measures.ofCode("rung").orElseThrow();
        List<Reading> readings = new ArrayList<>();
        places.forEach(p -> stood(p.code())
                .ifPresent(n -> readings.add(
                        new Reading(p.code(), NOW, 1, typed(rung, "" + n).orElseThrow()))));
        return record(rung, readings);
    }

    private StudyRecord record(Measure measure, List<Reading> readings) {
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
