package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.evensheen.core.label.Label;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Happening.Kind;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Upkeep as it is written, when it falls due, and that it is no other coat. */
class UpkeepTest {
    private final List<Happening> happened = new ArrayList<>(List.of(new Happening(1, Kind.APPLIED)));
    private final List<Application> put = new ArrayList<>();
    private final List<Reading> readings = new ArrayList<>();

    @ParameterizedTest
    @CsvSource({
        "Gannet Spray Wax every second wash, Gannet Spray Wax, 2, WASHES",
        "'with Lowlight Mist, at each wash', Lowlight Mist, 1, WASHES",
        "again every 3 weeks, again, 3, WEEKS",
        "recoat every third week, recoat, 3, WEEKS",
        "every 2 washes, '', 2, WASHES",
        "topper every week in winter, topper, 1, WEEKS"
    })
    void upkeepIsReadAsItIsWritten(String way, String with, int every, Axis axis) {
        assertThat(Upkeep.read(way)).contains(new Upkeep(with, every, axis));
    }

    @ParameterizedTest
    @CsvSource({"now and then", "every so often", "every 0 washes", "every 500 weeks", "''"})
    void wordsWithoutAnIntervalAreNone(String way) {
        assertThat(Upkeep.read(way)).isEmpty();
    }

    private StudyRecord study(String way) {
        List<Contender> contenders = List.of(
                new Contender(
                        0,
                        "Osier",
                        Role.PRODUCT,
                        Optional.of(WaterKind.REPELS),
                        Source.BOUGHT,
                        Contender.Kind.REGIME,
                        way),
                Contender.control(1, Role.BARE));
        return new StudyRecord(7, contenders, Studies.grid(2, 1), Studies.plan(1), happened, put, List.of(), readings);
    }

    private void again(int day) {
        put.add(new Application(
                put.size(),
                0,
                day,
                "",
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                "",
                Optional.of(Label.BLANK),
                List.of()));
    }

    @Test
    void byWashesItIsDueOnTheDayOfTheLastOfThem() {
        happened.add(new Happening(8, Kind.WASHED));
        assertThat(Upkeep.of(study("wax every second wash"), 9).get(0).on()).isEmpty();
        happened.add(new Happening(15, Kind.WASHED));
        Upkeep.Due due = Upkeep.of(study("wax every second wash"), 20).get(0);
        assertThat(due.on()).isEqualTo(OptionalInt.of(15));
        assertThat(due.now(14)).isFalse();
        assertThat(due.now(15)).isTrue();
        assertThat(due.last()).isEqualTo(1);
        again(15);
        due = Upkeep.of(study("wax every second wash"), 20).get(0);
        assertThat(due.gone()).as("the wash of the same day came before").isZero();
        assertThat(due.on()).isEmpty();
    }

    @Test
    void byWeeksItIsDueSoManyWeeksAfterTheLastTime() {
        assertThat(Upkeep.of(study("wax every 3 weeks"), 5).get(0).on()).hasValue(22);
        again(20);
        assertThat(Upkeep.of(study("wax every 3 weeks"), 30).get(0).on()).hasValue(41);
        assertThat(Upkeep.of(study("wax every 3 weeks"), 10).get(0).last())
                .as("what is not yet")
                .isEqualTo(1);
        assertThat(Upkeep.of(study("whenever"), 30)).isEmpty();
    }

    /** A topper inside a regime is an exposure, and the curve goes on; outside of one it is another coat. */
    @Test
    void upkeepBeginsNoOtherCurve() {
        again(1);
        for (String section : List.of("A1", "B1")) {
            double bare = section.equals("B1") ? 10 : 0;
            readings.add(new Reading(section, 2, Stage.FRESH, 1, Measures.PULL.of(8 + bare)));
            readings.add(new Reading(section, 28, Stage.REWETTED, 1, Measures.PULL.of(section.equals("B1") ? 18 : 10)));
        }
        again(20);
        Curves curves = Curves.of(study("wax every 3 weeks"), Measures.PULL, Axis.WEEKS, 99);
        assertThat(curves.curves()).hasSize(1);
        assertThat(curves.curves().get(0).points()).hasSize(1);
        assertThat(curves.found()).isEmpty();
    }

    /** 4 mL twice at 0.05 a mL over ten weeks: 0.04 a week; while it goes on, at most so much. */
    @Test
    void aProtectedWeekCostsAllThatWentOnOverTheWeeksItLasted() {
        Label label = org.evensheen.core.label.LabelLine.read("4 mL per section; 200 mL 10 EUR")
                .label();
        for (int i = 0; i < 2; i++) {
            put.add(new Application(
                    i,
                    0,
                    1 + 14 * i,
                    "",
                    org.evensheen.core.label.LabelLine.readDose("4 mL per section")
                            .dose(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    "",
                    Optional.of(label),
                    List.of()));
        }
        StudyRecord study = study("again every 2 weeks");
        Lives.Told ten = new Lives.Told(
                0, java.util.OptionalDouble.of(10), new org.evensheen.core.comparing.Interval(8, 12), 2, 0);
        Lives.Told on = new Lives.Told(
                0,
                java.util.OptionalDouble.empty(),
                new org.evensheen.core.comparing.Interval(8, Double.POSITIVE_INFINITY),
                2,
                2);
        Outlay found = Outlay.of(study, study.contenders().get(0), 99, ten, 12).orElseThrow();
        assertThat(found.aWeek().print()).isEqualTo("0.04 EUR");
        assertThat(found.atMost()).isFalse();
        assertThat(Outlay.of(study, study.contenders().get(0), 10, ten, 12)
                        .orElseThrow()
                        .aWeek()
                        .print())
                .as("the second went on later")
                .isEqualTo("0.02 EUR");
        assertThat(Outlay.of(study, study.contenders().get(0), 99, on, 20)
                        .orElseThrow()
                        .aWeek()
                        .print())
                .isEqualTo("0.02 EUR");
        assertThat(Outlay.of(study, study.contenders().get(0), 99, on, 20)
                        .orElseThrow()
                        .atMost())
                .isTrue();
        again(30);
        assertThat(Outlay.of(study("again every 2 weeks"), study.contenders().get(0), 99, ten, 12))
                .as("nobody knows how much went on the third time")
                .isEmpty();
        assertThat(Outlay.wanting(
                        study("again every 2 weeks"), study.contenders().get(0), 99))
                .contains(new Outlay.Wanting(1, 1, 3, 1));
        assertThat(Outlay.wanting(study, study.contenders().get(0), 99)).isEmpty();
    }

    /** What is priced in two currencies doesn't add up, and that is said. */
    @Test
    void pricesInSeveralCurrenciesAreNotAdded() {
        for (String currency : List.of("EUR", "USD")) {
            put.add(new Application(
                    put.size(),
                    0,
                    1 + put.size(),
                    "",
                    org.evensheen.core.label.LabelLine.readDose("4 mL per section")
                            .dose(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    "",
                    Optional.of(org.evensheen.core.label.LabelLine.read("4 mL per section; 200 mL 10 " + currency)
                            .label()),
                    List.of()));
        }
        StudyRecord study = study("again every 2 weeks");
        assertThat(Outlay.spent(study, study.contenders().get(0), 99)).isEmpty();
        assertThat(Outlay.wanting(study, study.contenders().get(0), 99)).contains(new Outlay.Wanting(0, 0, 2, 2));
    }
}
