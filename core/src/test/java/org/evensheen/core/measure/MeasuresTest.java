package org.evensheen.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.evensheen.core.measure.Scale.Turn;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class MeasuresTest {
    static Stream<Measure> all() {
        return Measures.all().stream();
    }

    /** What every page and file makes of a measure is there for each of them. */
    @ParameterizedTest
    @MethodSource("all")
    void everyMeasureSaysAllThatIsMadeOfIt(Measure measure) {
        assertThat(measure.code()).matches("[a-z][a-z0-9-]*");
        Words words = measure.words();
        assertThat(List.of(
                        words.label(),
                        words.at(),
                        words.one(),
                        words.several(),
                        words.score(),
                        words.does(),
                        words.layOut(),
                        words.plan()))
                .noneMatch(String::isBlank);
        assertThat(words.how()).endsWith(".");
        assertThat(words.gained().isEmpty()).isNotEqualTo(measure.benefitIsShare());
        assertThat(measure.parts()).isNotEmpty();
        assertThat(measure.parts())
                .extracting(Part::name)
                .doesNotHaveDuplicates()
                .allMatch(n -> n.matches("[a-z]+"));
        measure.number().ifPresent(n -> assertThat(n.name()).isEqualTo(Part.FIRST));
        assertThat(measure.unit()).isNotBlank();
        assertThat(measure.leastRepeats()).isPositive();
        assertThat(measure.whyRepeats().isEmpty()).isEqualTo(measure.leastRepeats() == 1);
        assertThat(measure.askedFor()).isNotEmpty();
        assertThat(Measures.ofCode(measure.code())).contains(measure);
    }

    /** What decides how a measure is judged and asked for, in one table: unit, decimals, which way is better, scale, repeats, and its flags. */
    @ParameterizedTest
    @CsvSource({
        "pull, N, 1, less, AMOUNT, 3, RUNNER, share bare sheeting lends, force",
        "drop, °, 0, more, AMOUNT, 2, DROP, bare water news proves, ''",
        "left-behind, g/m², 0, less, AMOUNT, 1, SHEET, share bare sheeting water wets grows news, scale",
        "gloss, GU, 1, more, AMOUNT, 0, GLEAM, bare sheeting, gloss",
        "grade, of 4, 1, more, ORDER, 1, NONE, bare sheeting water wets eye proves, ''",
        "foam, min, 1, more, LOG, 0, CURVE, sheeting news, ''",
        "foam-at-5, of 1, 2, more, SHARE, 0, NONE, sheeting, ''",
        "gone, of 5, 1, more, ORDER, 0, NONE, sheeting eye, ''",
        "streaks, of 5, 1, less, ORDER, 0, NONE, sheeting eye, ''",
        "wipes, wipes, 0, less, COUNT, 0, NONE, sheeting, ''",
        "dries, s, 1, more, LOG, 0, NONE, sheeting, ''",
        "held, g, 1, more, AMOUNT, 0, NONE, sheeting, scale",
        "rung, steps, 1, more, ORDER, 0, NONE, sheeting, ''",
        "panel-heat, °C, 1, less, AMOUNT, 0, NONE, sheeting, surface"
    })
    void eachIsJudgedAsItsKindOfNumberWantsIt(
            String code,
            String unit,
            int decimals,
            String better,
            Scale scale,
            int repeats,
            Drawing drawing,
            String flags,
            String probe) {
        Measure m = Measures.ofCode(code).orElseThrow();
        assertThat(m.scoreUnit()).isEqualTo(unit);
        assertThat(m.scoreDecimals()).isEqualTo(decimals);
        assertThat(m.moreIsBetter()).isEqualTo(better.equals("more"));
        assertThat(m.scale()).isEqualTo(scale);
        assertThat(m.usualRepeats()).isEqualTo(repeats);
        assertThat(m.drawing()).isEqualTo(drawing);
        assertThat(m.readAs().seconds()).isBetween(5.0, 600.0);
        assertThat(m.probe().map(p -> p.code()).orElse("")).isEqualTo(probe);
        assertThat(m.rehearsedBare().isPresent())
                .isEqualTo(List.of("pull", "left-behind").contains(code));
        List<String> has = List.of(flags.split(" "));
        assertThat(m.benefitIsShare()).as("share").isEqualTo(has.contains("share"));
        assertThat(m.needsBare()).as("bare").isEqualTo(has.contains("bare"));
        assertThat(m.judgesSheeting()).as("sheeting").isEqualTo(has.contains("sheeting"));
        assertThat(m.looksAtWater()).as("water").isEqualTo(has.contains("water"));
        assertThat(m.wetted()).as("wets").isEqualTo(has.contains("wets"));
        assertThat(m.byEye()).as("eye").isEqualTo(has.contains("eye"));
        assertThat(m.lendsScatter()).as("lends").isEqualTo(has.contains("lends"));
        assertThat(m.growsWithArea()).as("grows").isEqualTo(has.contains("grows"));
        assertThat(m.scoreIsNews()).as("news").isEqualTo(has.contains("news"));
        assertThat(m.bareUpTo().isPresent()).as("proves").isEqualTo(has.contains("proves"));
        assertThat(m.comparable()).isTrue();
        assertThat(m.leastRepeats()).isEqualTo(code.equals("gloss") ? 3 : 1);
        assertThat(m).hasToString(code);
    }

    /** Limits belong to what is allowed. */
    @ParameterizedTest
    @CsvSource({
        "pull, 0.1, 200, 0.0999, 200.01",
        "gloss, 0, 200, -0.01, 200.1",
        "spots, 0, 500, -1, 501",
        "dries, 0.1, 3600, 0.09, 3601"
    })
    void limitsAreInclusive(String code, double lowest, double highest, double below, double above) {
        Measure m = Measures.ofCode(code).orElseThrow();
        assertThat(m.of(lowest).amount()).isEqualTo(lowest);
        assertThat(m.of(highest).amount()).isEqualTo(highest);
        assertThatIllegalArgumentException().isThrownBy(() -> m.of(below));
        assertThatIllegalArgumentException().isThrownBy(() -> m.of(above));
    }

    /** Each number of an afternoon: on which scale it is compared, which way is better, its unit, its limit, and what it tells a reader of. */
    @ParameterizedTest
    @CsvSource({
        "marks, COUNT, less, marks, 500, ''",
        "high-spots, COUNT, less, spots, 200, ease",
        "flash, LOG, more, s, 3600, ''",
        "water-heat, AMOUNT, more, °C, 95, ''",
        "air-heat, AMOUNT, more, °C, 60, ''",
        "drips, LOG, more, s, 3600, ''",
        "runs, LOG, more, s, 3600, ''",
        "panel-heat, AMOUNT, less, °C, 120, ''",
        "spots, COUNT, less, spots, 500, water",
        "wipes, COUNT, less, wipes, 200, ease",
        "faces, COUNT, less, faces, 100, ease",
        "sprays, COUNT, less, sprays, 300, ease",
        "dries, LOG, more, s, 3600, ''",
        "clears, LOG, less, s, 3600, water",
        "minutes, LOG, less, min, 600, ease"
    })
    void eachNumberOfAnAfternoonHasItsScaleItsLimitAndItsQuality(
            String code, Scale scale, String better, String unit, double most, String quality) {
        Measure m = Measures.ofCode(code).orElseThrow();
        assertThat(m.scale()).isEqualTo(scale);
        assertThat(m.moreIsBetter()).isEqualTo(better.equals("more"));
        assertThat(m.scoreUnit()).isEqualTo(unit);
        assertThat(m.of(most).amount()).isEqualTo(most);
        assertThatIllegalArgumentException().isThrownBy(() -> m.of(most + 1));
        assertThat(m.quality().map(Quality::code).orElse("")).isEqualTo(quality);
        assertThat(m.needsBare()).isFalse();
        assertThat(m.lasts())
                .isEqualTo(List.of("marks", "high-spots", "spots", "clears").contains(code));
        assertThat(TypedReading.of(m, Map.of(Part.FIRST, "" + ((long) most + 1)))
                        .problems())
                .as("what is too much is said at its field")
                .containsOnlyKeys(Part.FIRST);
    }

    static Stream<Measure> sideBySide() {
        return Measures.sideBySide().stream();
    }

    /** What an afternoon looks at is read, kept on a line and typed like everything else. */
    @ParameterizedTest
    @MethodSource("sideBySide")
    void whatAnAfternoonLooksAtComesBackFromItsLine(Measure m) {
        assertThat(m.code()).matches("[a-z][a-z-]*");
        assertThat(m.words().how()).endsWith(".");
        Observation seen = m instanceof Level level ? level.seen(4) : m.of(7);
        assertThat(Observation.read(m, seen.line())).isEqualTo(seen);
        assertThat(TypedReading.of(m, seen.typed()).seen()).contains(seen);
        assertThat(m.score(seen, Double.NaN).orElseThrow()).isEqualTo(seen.amount());
        if (m instanceof Level level) {
            assertThat(java.util.stream.IntStream.rangeClosed(0, Level.MOST).mapToObj(level::said))
                    .doesNotHaveDuplicates()
                    .noneMatch(String::isBlank);
            assertThatIllegalArgumentException().isThrownBy(() -> level.seen(6));
        }
        if (m.scale() == Scale.COUNT) {
            assertThatIllegalArgumentException().isThrownBy(() -> m.of(2.5));
        }
        assertThat(Measures.ofCode(m.code())).contains(m);
        assertThat(Measures.all()).doesNotContain(m);
    }

    static Stream<Observation> seen() {
        return Stream.of(
                Measures.PULL.of(10.4),
                Measures.DROP.of(2.12, 1.6),
                Measures.LEFT_BEHIND.of(0),
                Measures.GLOSS.of(91.25),
                WaterGrade.seen(WaterKind.SHEETS, 3),
                foam(0, 92, 1, 78, 3, 61, 5, 48, 10, 30));
    }

    static Observation foam(double... minuteAndValue) {
        return new Observation(
                Measures.FOAM,
                List.of(
                        new Value.Chosen("jar-mm"),
                        new Value.Series(java.util.stream.IntStream.range(0, minuteAndValue.length / 2)
                                .mapToObj(i -> new Value.Mark(minuteAndValue[2 * i], minuteAndValue[2 * i + 1]))
                                .toList())));
    }

    /** One row, one reader, one writer: a line and a form's fields are each other's inverse with what was seen. */
    @ParameterizedTest
    @MethodSource("seen")
    void whatWasSeenComesBackFromItsLineAndFromAForm(Observation seen) {
        assertThat(Observation.read(seen.measure(), seen.line())).isEqualTo(seen);
        TypedReading typed = TypedReading.of(seen.measure(), seen.typed());
        assertThat(typed.problems()).isEmpty();
        assertThat(typed.seen()).contains(seen);
    }

    @Test
    void linesAreAsTheFormatsSay() {
        assertThat(seen().map(Observation::line))
                .containsExactly(
                        "amount=10.4",
                        "amount=2.12;width=1.6",
                        "amount=0",
                        "amount=91.25",
                        "kind=sheets;amount=3",
                        "how=jar-mm;series=0:92,1:78,3:61,5:48,10:30");
        assertThat(seen().map(Observation::told))
                .containsExactly("10.4", "2.12×1.6", "0", "91.25", "3 sheet", "92–30 in a jar");
        assertThat(Observation.read(Measures.PULL, " 9.8 ").amount()).isEqualTo(9.8);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "pull|amount=0.05",
                "pull|amount=200.1",
                "pull|amount=1;amount=2",
                "pull|amount=-1",
                "pull|amount=NaN",
                "pull|weight=3",
                "drop|amount=2",
                "drop|amount=9;width=20",
                "drop|amount=2;width=30.1",
                "grade|kind=repels;amount=5",
                "grade|kind=floats;amount=3",
                "grade|amount=3",
                "foam|how=jar-mm;series=0:92",
                "foam|how=jar-mm;series=1:92,2:80",
                "foam|how=jar-mm;series=0:92,0:80",
                "foam|how=jar-mm;series=0:0,1:0",
                "foam|how=jar-mm;series=0:92,601:3",
                "foam-at-5|how=jar-mm;series=0:92,1:80"
            })
    void whatCouldNotBeIsRefused(String measure, String line) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Observation.read(Measures.ofCode(measure).orElseThrow(), line));
    }

    @Test
    void aFormSaysAtItsFieldWhatIsWrong() {
        assertThat(TypedReading.of(Measures.DROP, Map.of("amount", "2", "width", ""))
                        .problems())
                .containsOnlyKeys("width")
                .containsValue("Type the drop's width in mm.");
        assertThat(TypedReading.of(Measures.DROP, Map.of("amount", "9", "width", "20"))
                        .problems())
                .containsOnlyKeys("amount");
        assertThat(TypedReading.of(Measures.WATER_GRADE, Map.of("amount", "3")).problems())
                .containsOnlyKeys("kind")
                .containsValue("First say what the water does: repels or sheets.");
        assertThat(TypedReading.of(Measures.FOAM, Map.of("how", "strip", "series-0", "92"))
                        .problems())
                .containsOnlyKeys("series-0");
        assertThat(TypedReading.of(Measures.FOAM, Map.of("how", "strip", "series-0", "92", "series-3", "6,5"))
                        .seen()
                        .orElseThrow()
                        .line())
                .as("minutes that were not read are left out")
                .isEqualTo("how=strip;series=0:92,3:6.5");
    }

    @Test
    void foamIsScoredByItsHalfLifeAndByWhatIsLeftAndSaysWhenItHasNone() {
        Observation whole = foam(0, 92, 1, 78, 3, 61, 5, 48, 10, 30);
        assertThat(Measures.FOAM.score(whole, 1).orElseThrow()).isCloseTo(5.56, within(5e-3));
        assertThat(Measures.FOAM_LEFT.score(whole, 1).orElseThrow()).isCloseTo(0.522, within(5e-4));
        assertThat(Measures.FOAM.score(foam(0, 92, 5, 80), 1)).isEmpty();
        assertThat(Measures.FOAM_LEFT.readAs()).isEqualTo(Measures.FOAM);
    }

    /** MEASURES 15. */
    @Test
    void scalesTurnScoresAndBack() {
        assertThat(Turn.ROOT.to(0)).isCloseTo(1.2247, within(5e-5));
        assertThat(Turn.ROOT.to(7)).isCloseTo(5.4314, within(5e-5));
        assertThat(Turn.LOG.to(Math.E)).isEqualTo(1);
        assertThat(Turn.LOGIT.to(1)).isCloseTo(Math.log(100.5 / 0.5), within(1e-9));
        for (Turn turn : Turn.values()) {
            for (double score : new double[] {0.02, 0.3, 0.97}) {
                assertThat(turn.back(turn.to(score))).as(turn + " " + score).isCloseTo(score, within(1e-12));
            }
        }
        assertThat(Scale.SHARE.turn(DoubleStream.of(0.1, 0.5, 0.9))).isEqualTo(Turn.NONE);
        assertThat(Scale.SHARE.turn(DoubleStream.of(0.5, 0.91))).isEqualTo(Turn.LOGIT);
        assertThat(Scale.SHARE.turn(DoubleStream.of(0.5, 0.09))).isEqualTo(Turn.LOGIT);
        assertThat(Scale.COUNT.turn(DoubleStream.of(1))).isEqualTo(Turn.ROOT);
        assertThat(Scale.LOG.turn(DoubleStream.of(1))).isEqualTo(Turn.LOG);
        assertThatIllegalArgumentException().isThrownBy(() -> Scale.ORDER.turn(DoubleStream.of(1)));
    }
}
