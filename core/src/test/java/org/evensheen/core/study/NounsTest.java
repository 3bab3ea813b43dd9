package org.evensheen.core.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.label.ProductKind.Vessel;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.planning.Protocol;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.water.WaterKind;
import org.evensheen.core.wear.Axis;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The nouns of a study keep what they promise: words that read back, order, and what stands on a day. */
class NounsTest {

    /** What the database and files know things by is read back as the same thing, and everything has words of its own. */
    @Test
    void everyCodeReadsBackAndEveryLabelIsItsOwn() {
        reads(Happening.Kind.values(), Happening.Kind::code, Happening.Kind::ofCode);
        reads(Deviation.Kind.values(), Deviation.Kind::code, Deviation.Kind::ofCode);
        reads(Contender.Kind.values(), Contender.Kind::code, Contender.Kind::ofCode);
        reads(Stage.values(), Stage::code, Stage::ofCode);
        reads(Course.values(), Course::code, Course::ofCode);
        reads(ProductKind.values(), ProductKind::code, ProductKind::ofCode);
        reads(WaterKind.values(), WaterKind::code, WaterKind::ofCode);
        reads(Axis.values(), Axis::code, Axis::ofCode);
        reads(Protocol.Scheme.values(), Protocol.Scheme::code, Protocol.Scheme::ofCode);
        own(Happening.Kind.values(), Happening.Kind::label);
        own(Deviation.Kind.values(), Deviation.Kind::label);
        own(Contender.Kind.values(), Contender.Kind::label);
        own(Stage.values(), Stage::label);
        own(Course.values(), Course::label);
        own(ProductKind.values(), ProductKind::label);
        own(Protocol.Scheme.values(), Protocol.Scheme::label);
        own(Protocol.Prep.values(), Protocol.Prep::label);
        own(Protocol.Prep.values(), Protocol.Prep::code);
        own(Role.values(), Role::code);
        own(Axis.values(), Axis::one);
        own(Axis.values(), Axis::several);
    }

    private static <T> void reads(T[] all, Function<T, String> code, Function<String, Optional<T>> back) {
        assertThat(all).allSatisfy(t -> assertThat(back.apply(code.apply(t))).contains(t));
        assertThat(back.apply("no such thing")).isEmpty();
        own(all, code);
    }

    private static <T> void own(T[] all, Function<T, String> words) {
        List<String> said = Arrays.stream(all).map(words).toList();
        assertThat(said).doesNotHaveDuplicates().doesNotContain("");
    }

    @Test
    void aLookIsToldWithItsStep() {
        assertThat(Look.at(Stage.REWETTED).label()).isEqualTo("wetted again");
        assertThat(new Look(Stage.AFTER, 3).label()).isEqualTo("step 3, after it");
        assertThat(Look.ofCode("after-3")).contains(new Look(Stage.AFTER, 3));
        assertThat(Look.ofCode("after-0")).isEmpty();
    }

    @Test
    void aReadingByEyeIsSignedAndOneByAnInstrumentIsNot() {
        Reading eye = new Reading("A", 1, Stage.FRESH, 1, WaterGrade.seen(WaterKind.REPELS, 3));
        Reading sled = new Reading("A", 1, Stage.FRESH, 1, Measures.PULL.of(9));
        assertThat(eye.by("Ana").observer()).isEqualTo("Ana");
        assertThat(sled.by("Ana").observer()).isEmpty();
        assertThat(sled.by("Ana").seen()).isEqualTo(sled.seen());
    }

    @Test
    void aPlaceIsCalledByItsCodeAndNameAndHasAMiddle() {
        Section taped = new Section("A", 0, 1, 100, 40, 300, 200, false);
        assertThat(taped.called()).isEqualTo("A");
        assertThat(new Section("B", 0, 1, 0, 0, 1, 1, false, "left half").called())
                .isEqualTo("B, left half");
        assertThat(taped.middleX()).isEqualTo(250);
        assertThat(taped.middleY()).isEqualTo(140);
        assertThat(taped.areaSquareMetres()).isCloseTo(0.06, within(1e-12));
    }

    /** The order of codes, bare last, whatever the order in which products were listed. */
    @Test
    void contendersAreNumberedInTheOrderOfTheirCodes() {
        List<Contender> contenders = List.of(
                new Contender(0, "Late", Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT),
                Contender.control(1, Role.BARE),
                new Contender(2, "Early", Role.PRODUCT, WaterKind.SHEETS, Source.BOUGHT));
        List<Section> sections = List.of(at("D", 0), at("A", 1), at("C", 2), at("B", 2), at("E", 0));
        CodeOrder order = CodeOrder.of(contenders, sections);
        assertThat(order.contenders(contenders)).extracting(Contender::name).containsExactly("Early", "Late", "Bare");
        assertThat(order.contenders(contenders)).extracting(Contender::number).containsExactly(0, 1, 2);
        assertThat(order.sections(sections)).extracting(Section::contender).containsExactly(1, 2, 0, 0, 1);
        assertThat(order.keyed(Map.of(0, "late", 2, "early"))).isEqualTo(Map.of(1, "late", 0, "early"));
        assertThat(order.contenders(contenders).get(0).sheets()).isTrue();
        assertThat(order.contenders(contenders).get(1).sheets()).isFalse();
        assertThatThrownBy(() -> CodeOrder.of(contenders, sections.subList(0, 2)))
                .hasMessageContaining("no section holds contender 2");
    }

    private static Section at(String code, int contender) {
        return new Section(code, contender, 1, 0, 0, 300, 200, false);
    }

    @Test
    void aRecordRefusesWhatCanNotBeAndKeepsRepeatsInOrder() {
        List<Section> grid = Studies.grid(2, 1);
        List<Reading> readings = new ArrayList<>();
        for (int repeat : new int[] {3, 1, 2}) {
            readings.add(new Reading("A1", 1, Stage.FRESH, repeat, Measures.PULL.of(8 + repeat)));
        }
        StudyRecord study = Studies.study(1, grid, readings);
        Section a = study.section("A1").orElseThrow();
        assertThat(study.readings(a, Studies.FRESH, Measures.PULL))
                .extracting(Reading::repeat)
                .containsExactly(1, 2, 3);
        Spread spread = study.mean(a, Studies.FRESH, Measures.PULL).orElseThrow();
        assertThat(spread.mean()).isCloseTo(10, within(1e-12));
        assertThat(spread.deviation().orElseThrow()).isCloseTo(1, within(1e-12));
        assertThat(study.seed()).isEqualTo(7);
        assertThat(study.drawnWith(7)).isSameAs(study);
        assertThat(study.drawnWith(8).seed()).isEqualTo(8);
        assertThat(study.drawnWith(8).readings()).isEqualTo(study.readings());
        readings.add(readings.get(0));
        assertThatThrownBy(() -> Studies.study(1, grid, readings)).hasMessageContaining("a repeat stands twice");
        assertThatThrownBy(() ->
                        Studies.study(1, grid, List.of(new Reading("Z9", 1, Stage.FRESH, 1, Measures.PULL.of(8)))))
                .hasMessageContaining("there is no section Z9");
        assertThatThrownBy(() -> Studies.study(1, List.of(grid.get(0), grid.get(0)), List.of()))
                .hasMessageContaining("two sections are coded A1");
    }

    /** On the day it is what was read; between two readings a straight line; before anything went on nothing is drawn towards what came after. */
    @Test
    void aSectionIsEstimatedBetweenItsReadings() {
        List<Reading> readings = List.of(
                new Reading("A1", 0, Stage.BARE, 1, Measures.PULL.of(18)),
                new Reading("A1", 2, Stage.FRESH, 1, Measures.PULL.of(8)),
                new Reading("A1", 12, Stage.REWETTED, 1, Measures.PULL.of(13)));
        StudyRecord study = Studies.study(1, Studies.grid(2, 1), readings);
        Section a = study.section("A1").orElseThrow();
        double[] expected = {18, 18, 8, 8.5, 13, 13};
        int[] days = {0, 1, 2, 3, 12, 40};
        for (int i = 0; i < days.length; i++) {
            SectionState state =
                    SectionState.on(study, a, Measures.PULL, days[i]).orElseThrow();
            assertThat(state.value()).as("day %d", days[i]).isCloseTo(expected[i], within(1e-12));
            assertThat(state.read()).as("day %d", days[i]).isEqualTo(i == 0 || i == 2 || i == 4);
        }
        assertThat(SectionState.on(study, study.section("B1").orElseThrow(), Measures.PULL, 5))
                .isEmpty();
    }

    @Test
    void aPlanSaysWhatIsAskedAndWhichStageADayBelongsTo() {
        Plan plan = new Plan(
                List.of(new Plan.Planned(Measures.PULL, 3), new Plan.Planned(Measures.WATER_GRADE, 1)),
                List.of(
                        new Occasion(0, Stage.BARE),
                        new Occasion(3, Stage.FRESH),
                        new Occasion(10, Stage.ARRIVAL),
                        new Occasion(10, Stage.REWETTED)));
        assertThat(plan.asksFor(Measures.PULL)).isTrue();
        assertThat(plan.asksFor(Measures.DROP)).isFalse();
        assertThat(plan.repeatsOf(Measures.PULL)).isEqualTo(3);
        assertThat(plan.repeatsOf(Measures.DROP))
                .as("asked of nobody, once is enough")
                .isEqualTo(1);
        assertThat(plan.visitOn(10)).contains(new Occasion(10, Stage.REWETTED));
        assertThat(plan.visitOn(9)).isEmpty();
        assertThat(plan.lastDay()).isEqualTo(10);
        assertThat(plan.stageOn(1)).isEqualTo(Stage.BARE);
        assertThat(plan.stageOn(3)).isEqualTo(Stage.FRESH);
        assertThat(plan.stageOn(5)).isEqualTo(Stage.REWETTED);
        assertThat(plan.main())
                .isPresent()
                .get()
                .satisfies(m -> assertThat(plan.asksFor(m)).isTrue());
        Plan jar = new Plan(plan.measures(), List.of(), Course.JAR);
        assertThat(jar.lastDay()).isZero();
        assertThat(jar.stageOn(5)).isEqualTo(Stage.AFTER);
        assertThat(new Plan(List.of(), List.of()).main()).isEmpty();
        for (int repeats : new int[] {0, 21}) {
            assertThatThrownBy(() -> new Plan.Planned(Measures.PULL, repeats)).hasMessageContaining("from 1 to 20");
        }
        assertThat(Collections.max(List.of(new Plan.Planned(Measures.PULL, 20).repeats())))
                .isEqualTo(20);
    }

    /** What is large comes in a jug, what is small in a flask, and a paste in its tin. */
    @ParameterizedTest
    @CsvSource({
        "SOAP, 500, FLASK, true",
        "SOAP, 799, FLASK, true",
        "SOAP, 800, JUG, true",
        "FOAM, 1000, JUG, true",
        "RINSELESS, 1500, FLASK, true",
        "RINSELESS, 1501, JUG, true",
        "DETAILER, 500, TRIGGER, false",
        "DETAILER, 5000, JUG, false",
        "WAX, 200, TIN, false",
        "WAX, 5000, TIN, false",
        "TYRE, 500, CAN, false"
    })
    void aProductComesInItsVessel(ProductKind kind, double ml, Vessel vessel, boolean washes) {
        assertThat(kind.vessel(ml)).isEqualTo(vessel);
        assertThat(kind.washes()).isEqualTo(washes);
    }
}
