package org.evensheen.core.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.schedule.NextReading;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.schedule.Visit;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class StudyRecordTest {
    private final List<Section> sections = Studies.grid(2, 1);

    private StudyRecord planned(List<Plan.Planned> measures, List<Reading> readings) {
        return new StudyRecord(
                7,
                Studies.contenders(1),
                sections,
                new Plan(measures, List.of(Studies.BARE, Studies.FRESH, Studies.LATER)),
                List.of(),
                readings);
    }

    private static Reading pull(String section, Occasion at, int repeat, double newtons) {
        return new Reading(section, at.day(), at.stage(), repeat, Measures.PULL.of(newtons));
    }

    @Test
    void allRepeatsThenTheNextSectionThenTheNextMeasure() {
        List<Plan.Planned> measures = List.of(new Plan.Planned(Measures.PULL, 2), new Plan.Planned(Measures.DROP, 1));
        StudyRecord study = planned(measures, List.of(pull("A1", Studies.LATER, 1, 9)));
        Section a = sections.get(0);
        var order = new java.util.ArrayList<String>();
        var next = NextReading.after(study, Studies.LATER, Measures.PULL, java.util.Optional.of(a));
        while (next.isPresent()) {
            NextReading ask = next.get();
            order.add(ask.section().code() + " " + ask.measure().code() + " " + ask.repeat());
            Observation seen = ask.measure() == Measures.PULL ? Measures.PULL.of(9) : Measures.DROP.of(1.5, 3);
            study = study.with(new Reading(ask.section().code(), 28, Stage.REWETTED, ask.repeat(), seen));
            next = NextReading.after(study, Studies.LATER, ask.measure(), java.util.Optional.of(ask.section()));
        }
        assertThat(order).containsExactly("A1 pull 2", "B1 pull 1", "B1 pull 2", "A1 drop 1", "B1 drop 1");
        assertThat(NextReading.on(study, Studies.LATER, a, Measures.PULL).extra())
                .isTrue();
    }

    @Test
    void visitsAreDoneDuePartlyMissedOrAhead() {
        List<Plan.Planned> measures = List.of(new Plan.Planned(Measures.PULL, 1));
        StudyRecord study = planned(
                measures,
                List.of(
                        pull("A1", Studies.BARE, 1, 18),
                        pull("B1", Studies.BARE, 1, 18),
                        pull("A1", Studies.FRESH, 1, 9)));
        assertThat(Visit.of(study, 28))
                .extracting(Visit::state)
                .containsExactly(Visit.State.DONE, Visit.State.PARTLY, Visit.State.DUE);
        assertThat(Visit.of(study, 30).get(2).state()).isEqualTo(Visit.State.MISSED);
        assertThat(Visit.of(study, 5).get(2))
                .extracting(Visit::state, Visit::wanting)
                .containsExactly(Visit.State.AHEAD, 2);
    }

    @Test
    void betweenReadingsAStateIsEstimatedOnALineAndAfterTheLastItStays() {
        StudyRecord study =
                planned(List.of(), List.of(pull("A1", Studies.FRESH, 1, 8), pull("A1", Studies.LATER, 1, 17)));
        Section a = sections.get(0);
        assertThat(SectionState.on(study, a, Measures.PULL, 1).orElseThrow().read())
                .isTrue();
        SectionState between = SectionState.on(study, a, Measures.PULL, 10).orElseThrow();
        assertThat(between.value()).isCloseTo(11, within(1e-12));
        assertThat(between.read()).isFalse();
        assertThat(SectionState.on(study, a, Measures.PULL, 40).orElseThrow().value())
                .isEqualTo(17);
        assertThat(SectionState.on(study, a, Measures.PULL, 0)).isEmpty();
    }

    @Test
    void meanAndSpreadAreOfTheRepeatsAndImpossibleRecordsAreRefused() {
        List<Reading> readings = List.of(pull("A1", Studies.LATER, 1, 9.7), pull("A1", Studies.LATER, 2, 9.9));
        Spread spread = planned(List.of(), readings)
                .mean(sections.get(0), Studies.LATER, Measures.PULL)
                .orElseThrow();
        assertThat(spread.mean()).isCloseTo(9.8, within(1e-12));
        assertThat(spread.deviation().orElseThrow()).isCloseTo(0.1414, within(1e-4));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> planned(List.of(), List.of(readings.get(0), readings.get(0))));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> planned(List.of(), List.of(pull("Z9", Studies.BARE, 1, 9))));
        assertThatIllegalArgumentException().isThrownBy(() -> Measures.PULL.of(-1));
        assertThatIllegalArgumentException().isThrownBy(() -> Measures.DROP.of(9, 20));
        assertThatIllegalArgumentException().isThrownBy(() -> WaterGrade.seen(WaterKind.SHEETS, 5));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"9.8|9.8", "9,8|9.8", " 9.8 N |9.8", "10n|10", ".5|0.5", "+7|7"})
    void numbersAreReadAsPeopleTypeThem(String typed, double value) {
        assertThat(TypedNumber.read(typed, "pull", "N", 0.1, 200)).isEqualTo(new TypedNumber.Read(value));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|Type the pull in N", "abc|not a number", "9.8.1|not a number", "-3|below zero",
                        "980|Check the decimal point",
                "900 kg|8826 N is out of reach", "9.8 volts|not a unit", "<b>9</b>|not a number", "NaN|not a number",
                        "1e5|not a number"
            })
    void whatCanNotBeReadIsRefusedWithTheRemedy(String typed, String saying) {
        TypedNumber read = TypedNumber.read(typed, "pull", "N", 0.1, 200);
        assertThat(read)
                .isInstanceOfSatisfying(
                        TypedNumber.Refused.class, r -> assertThat(r.message()).contains(saying));
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 21})
    void repeatsHaveALimit(int repeats) {
        assertThatIllegalArgumentException().isThrownBy(() -> new Plan.Planned(Measures.PULL, repeats));
    }
}
