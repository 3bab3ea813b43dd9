package org.evensheen.core.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender.Kind;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What a day has, which of it counts, and who is compared. */
class CourseTest {
    private static final List<Section> PLACES = Studies.grid(3, 1);

    private static StudyRecord ladder(Occasion... looks) {
        List<Reading> readings = Stream.of(looks)
                .flatMap(at -> Studies.pulls(
                        PLACES, at, s -> 8 + s.contender() + at.look().step())
                        .stream())
                .toList();
        Plan plan = new Plan(List.of(new Plan.Planned(Measures.PULL, 1)), List.of(), Course.LADDER);
        return new StudyRecord(7, Studies.contenders(2), PLACES, plan, List.of(), readings);
    }

    private static Occasion after(int step) {
        return new Occasion(0, new Look(Stage.AFTER, step));
    }

    @Test
    void stepsOfOneAfternoonAreReadApartAndTheLastOneIsJudged() {
        Occasion before = new Occasion(0, Stage.BEFORE);
        StudyRecord study = ladder(after(10), after(2), before);

        assertThat(study.occasionsRead(Measures.PULL)).containsExactly(before, after(2), after(10));
        assertThat(study.mean(PLACES.get(0), after(2), Measures.PULL)
                        .orElseThrow()
                        .mean())
                .isEqualTo(10);
        assertThat(study.judgedBy(0, Measures.PULL)).contains(after(10));
        assertThat(ladder(before).judgedBy(0, Measures.PULL))
                .as("nothing was done yet")
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "VISITS, BARE, FRESH REWETTED",
        "WASH, BEFORE, RINSED FOAMED WASHED AFTER",
        "LADDER, BEFORE, AFTER",
        "JAR, BEFORE, AFTER"
    })
    void everyCourseSaysWhichStagesCountAndWhichIsItsZero(Course course, Stage zero, String counted) {
        assertThat(Stream.of(Stage.values()).filter(course::counts).map(Stage::name))
                .containsExactly(counted.split(" "));
        assertThat(course.zero()).isEqualTo(zero);
        assertThat(course.counts(zero)).isFalse();
        assertThat(course.last()).isEqualTo(Stage.valueOf(counted.substring(counted.lastIndexOf(' ') + 1)));
        assertThat(course.stages()).isSorted();
        assertThat(Course.ofCode(course.code())).contains(course);
        assertThat(new Plan(List.of(), List.of(), course).stageOn(3)).isEqualTo(course.last());
    }

    @ParameterizedTest
    @ValueSource(strings = {"rewetted", "after-1", "after-99", "before"})
    void aLooksCodeReadsBackAsItself(String code) {
        assertThat(Look.ofCode(code).map(Look::code)).contains(code);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "after-0", "after-100", "after-01", "after--1", "After", "after-1 ", "dragon", "after-"})
    void whatIsNoLookIsNotRead(String code) {
        assertThat(Look.ofCode(code)).isEmpty();
    }

    @Test
    void aContenderIsCalledByWhatItIsAndAControlTestsNothing() {
        Contender jet = new Contender(
                0, "Curlew Foam", Role.PRODUCT, Optional.empty(), Source.BOUGHT, Kind.METHOD, "into the jet");
        assertThat(jet.name()).isEqualTo("Curlew Foam, into the jet");
        assertThat(jet.layers()).containsExactly("Curlew Foam");
        Contender mitt =
                new Contender(1, "", Role.PRODUCT, Optional.empty(), Source.LENT, Kind.MEDIUM, "Ewe Fleece Mitt");
        assertThat(mitt.name()).isEqualTo("Ewe Fleece Mitt");
        assertThat(mitt.layers()).isEmpty();
        assertThat(new Contender(2, "A over B", Role.PRODUCT, WaterKind.SHEETS, Source.BOUGHT).kind())
                .isEqualTo(Kind.STACK);
        assertThat(Contender.control(3, Role.UNTREATED)).satisfies(c -> {
            assertThat(c.name()).isEqualTo("Untreated");
            assertThat(c.isControl()).isTrue();
            assertThat(c.isBare()).isFalse();
            assertThat(c.water()).isEmpty();
        });
        assertThatIllegalArgumentException()
                .isThrownBy(
                        () -> new Contender(0, "", Role.PRODUCT, Optional.empty(), Source.LENT, Kind.METHOD, "dry"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Contender(0, "A", Role.PRODUCT, Optional.empty(), Source.LENT, Kind.METHOD, ""));
        assertThatIllegalArgumentException()
                .isThrownBy(
                        () -> new Contender(0, "A", Role.PRODUCT, Optional.empty(), Source.LENT, Kind.ROUTINE, "x"));
        assertThatIllegalArgumentException()
                .isThrownBy(() ->
                        new Contender(0, "", Role.BARE, Optional.of(WaterKind.REPELS), Source.LENT, Kind.PRODUCT, ""));
    }

    /** What is left untreated is the control where nothing is bare, and only there. */
    @Test
    void untreatedIsTheControlWhereNothingIsBare() {
        List<Contender> both = List.of(
                Contender.control(0, Role.UNTREATED),
                new Contender(1, "A", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT),
                Contender.control(2, Role.BARE));
        assertThat(new StudyRecord(7, both, PLACES, Studies.plan(1), List.of(), List.of()).bareSections())
                .extracting(Section::contender)
                .containsExactly(2);
        List<Contender> untreated =
                List.of(both.get(0), both.get(1), new Contender(2, "B", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT));
        assertThat(new StudyRecord(7, untreated, PLACES, Studies.plan(1), List.of(), List.of()).bareSections())
                .extracting(Section::contender)
                .containsExactly(0);
    }
}
