package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.core.comparing.Absent;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Happening.Kind;
import org.evensheen.core.study.Look;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.WaterKind;
import org.evensheen.core.wear.Curves.Oddity;
import org.evensheen.core.wear.Promise.State;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is left section by section, what it is set against, and what is said where there is nothing to set it against. */
class CurvesTest {
    private final List<Section> grid = new ArrayList<>(Studies.grid(2, 1));
    private final List<Happening> happened = new ArrayList<>(List.of(new Happening(0, Kind.APPLIED)));
    private final List<Reading> readings = new ArrayList<>();

    private void pull(String section, int day, Stage stage, double... newtons) {
        for (int i = 0; i < newtons.length; i++) {
            readings.add(new Reading(section, day, stage, i + 1, Measures.PULL.of(newtons[i])));
        }
    }

    private StudyRecord study() {
        return new StudyRecord(7, Studies.contenders(1), grid, Studies.plan(1), happened, readings);
    }

    private Curves curves(Axis axis) {
        return Curves.of(study(), Measures.PULL, axis, 4000);
    }

    private Curve only() {
        assertThat(curves(Axis.WEEKS).curves()).hasSize(1);
        return curves(Axis.WEEKS).curves().get(0);
    }

    @Test
    void shareIsSetAgainstBareOfTheSameMoment() {
        pull("A1", 1, Stage.FRESH, 8.6);
        pull("B1", 1, Stage.FRESH, 18.2);
        pull("A1", 28, Stage.REWETTED, 12.9);
        pull("B1", 28, Stage.REWETTED, 18.2);
        assertThat(only().points().get(0).left()).isCloseTo(0.552, within(5e-4));
        assertThat(only().points().get(0).x()).isCloseTo(4, within(1e-12));
        pull("A1", 56, Stage.REWETTED, 12.9 * 1.1);
        pull("B1", 56, Stage.REWETTED, 18.2 * 1.1);
        assertThat(only().points().get(1).left())
                .as("a day on which all pulls are heavier changes nothing")
                .isCloseTo(0.552, within(5e-4));
        pull("A1", 70, Stage.REWETTED, 18.0);
        assertThat(only().points()).as("bare was not read that day").hasSize(2);
        assertThat(curves(Axis.WEEKS).found()).containsExactly(Oddity.BARE_MISSED);
    }

    @Test
    void withoutBareASectionIsItsOwnZero() {
        grid.remove(1);
        pull("A1", 0, Stage.BARE, 18.4);
        pull("A1", 1, Stage.FRESH, 8.0);
        pull("A1", 28, Stage.REWETTED, 12.2);
        assertThat(only().points().get(0).left()).isCloseTo(0.596, within(5e-4));
        assertThat(only().control()).isEqualTo(Curve.Control.OWN_BEFORE);
    }

    @Test
    void onlyTheLookAfterWettingAgainCountsAndArrivalStandsBesideIt() {
        pull("A1", 1, Stage.FRESH, 8);
        pull("B1", 1, Stage.FRESH, 18);
        pull("A1", 28, Stage.ARRIVAL, 17);
        pull("B1", 28, Stage.ARRIVAL, 19);
        pull("A1", 28, Stage.REWETTED, 10);
        pull("B1", 28, Stage.REWETTED, 18);
        assertThat(only().points()).hasSize(1);
        assertThat(only().points().get(0).left()).isCloseTo(0.8, within(1e-9));
        assertThat(only().points().get(0).arrival().orElseThrow())
                .as("bare pulled harder as it arrived, too")
                .isCloseTo((1 - 17.0 / 19) / (1 - 8.0 / 18), within(1e-9));
        assertThat(only().first()).isCloseTo(10 / 18.0, within(1e-12));
    }

    @Test
    void aCoatAgainEndsACurveAndFirstReadingsBeginAnother() {
        pull("A1", 1, Stage.FRESH, 8);
        pull("B1", 1, Stage.FRESH, 18);
        visit(28, 15);
        happened.add(new Happening(40, Kind.APPLIED));
        visit(48, 9);
        assertThat(curves(Axis.WEEKS).curves()).hasSize(1);
        assertThat(curves(Axis.WEEKS).curves().get(0).points()).hasSize(1);
        assertThat(curves(Axis.WEEKS).found()).contains(Oddity.COATED_AGAIN);
        pull("A1", 41, Stage.FRESH, 8);
        pull("B1", 41, Stage.FRESH, 18);
        List<Curve> both = curves(Axis.WEEKS).curves();
        assertThat(both).extracting(Curve::coat).containsExactly(1, 2);
        assertThat(both.get(1).points().get(0).x()).isCloseTo(8 / 7.0, within(1e-12));
        assertThat(both.get(1).points().get(0).left()).isCloseTo(0.9, within(1e-9));
        assertThat(curves(Axis.WEEKS).first()).hasSize(1);
    }

    private void visit(int day, double newtons) {
        pull("A1", day, Stage.REWETTED, newtons);
        pull("B1", day, Stage.REWETTED, 18);
    }

    @Test
    void whatHasNoFirstEffectOrNoFreshReadingHasNoCurveAndSaysWhy() {
        visit(28, 15);
        assertThat(curves(Axis.WEEKS).without()).containsEntry(0, Absent.NOT_READ_WHEN_FRESH);
        pull("A1", 1, Stage.FRESH, 8);
        assertThat(curves(Axis.WEEKS).without()).containsEntry(0, Absent.NO_CONTROL_WHEN_FRESH);
        pull("B1", 1, Stage.FRESH, 7);
        assertThat(curves(Axis.WEEKS).without()).containsEntry(0, Absent.MADE_WORSE);
        assertThat(curves(Axis.WEEKS).curves()).isEmpty();
        assertThat(Wear.of(study(), Measures.PULL, Axis.WEEKS, 99, Map.of()).lives())
                .isEmpty();
    }

    @Test
    void aFirstEffectThatSectionsDifferByAnywayIsNone() {
        grid.addAll(Studies.grid(2, 2).subList(2, 4));
        pull("A1", 1, Stage.FRESH, 16);
        pull("A2", 1, Stage.FRESH, 18);
        pull("B1", 1, Stage.FRESH, 19);
        pull("B2", 1, Stage.FRESH, 17);
        assertThat(curves(Axis.WEEKS).without()).containsEntry(0, Absent.NO_FIRST_EFFECT);
    }

    @Test
    void aReadingBeforeItWentOnIsNoticed() {
        happened.set(0, new Happening(10, Kind.APPLIED));
        visit(5, 15);
        pull("A1", 11, Stage.FRESH, 8);
        pull("B1", 11, Stage.FRESH, 18);
        assertThat(curves(Axis.WEEKS).found()).containsExactly(Oddity.READ_BEFORE_APPLIED);
        happened.clear();
        assertThat(curves(Axis.WEEKS).found())
                .containsExactly(Oddity.READ_BEFORE_APPLIED, Oddity.APPLIED_UNKNOWN)
                .as("what went on at an unknown day is taken to have gone on with first readings");
    }

    /** A blip upwards is no second life: the fit only falls, and a life lies between two visits. */
    @ParameterizedTest
    @CsvSource({
        "'0.9 0.5 0.2 0.1', 8, 12",
        "'0.9 0.2 0.29 0.1', 4, 8",
        "'0.9 0.2 0.35 0.1', 12, 16",
        "'0.2 0.1 0.1 0', 0, 4",
        "'0.9 0.8 0.7 0.6', 16, Infinity",
        "'0.9 0.5 0.25 0.1', 8, 12"
    })
    void aLifeLiesBetweenTwoVisits(String shares, double low, double high) {
        pull("A1", 0, Stage.FRESH, 8);
        pull("B1", 0, Stage.FRESH, 18);
        double[] left = Arrays.stream(shares.split(" "))
                .mapToDouble(Double::parseDouble)
                .toArray();
        for (int i = 0; i < left.length; i++) {
            visit(28 * (i + 1), 18 - 10 * left[i]);
        }
        Life life = only().life().orElseThrow();
        assertThat(life.low()).isCloseTo(low, within(1e-9));
        assertThat(life.high()).isEqualTo(high);
    }

    /** Visits between which nothing was counted, and one at which it was spent before anything was, make no life that runs backwards. */
    @ParameterizedTest
    @CsvSource({
        "'0.9 0.2 0.1', '10 40', 1, 2",
        "'0.2 0.1 0.1', '60 80',,",
        "'0.9 0.5 0.2', '10 20', 0, 2",
        "'0.9 0.8 0.7', '100', 0, Infinity"
    })
    void livesInWashesGoByWhatWasLogged(String shares, String washes, Double low, Double high) {
        pull("A1", 0, Stage.FRESH, 8);
        pull("B1", 0, Stage.FRESH, 18);
        for (String day : washes.split(" ")) {
            happened.add(new Happening(Integer.parseInt(day), Kind.WASHED));
        }
        double[] left = Arrays.stream(shares.split(" "))
                .mapToDouble(Double::parseDouble)
                .toArray();
        for (int i = 0; i < left.length; i++) {
            visit(28 * (i + 1), 18 - 10 * left[i]);
        }
        Optional<Life> life = curves(Axis.WASHES).curves().get(0).life();
        assertThat(life.map(Life::low)).isEqualTo(Optional.ofNullable(low));
        assertThat(life.map(Life::high)).isEqualTo(Optional.ofNullable(high));
        assertThat(Wear.of(study(), Measures.PULL, Axis.WASHES, 99, Map.of())
                        .curves()
                        .curves())
                .hasSize(1);
    }

    @Test
    void anOdometerThatRunsBackwardsIsNoExposure() {
        pull("A1", 0, Stage.FRESH, 8);
        pull("B1", 0, Stage.FRESH, 18);
        visit(28, 10);
        visit(56, 12);
        happened.addAll(List.of(
                new Happening(0, Kind.ODOMETER, "5000"),
                new Happening(28, Kind.ODOMETER, "5600"),
                new Happening(56, Kind.ODOMETER, "5100")));
        assertThat(curves(Axis.KM).curves().get(0).points()).hasSize(1);
        assertThat(curves(Axis.KM).curves().get(0).points().get(0).x()).isEqualTo(600);
        assertThat(curves(Axis.KM).found()).containsExactly(Oddity.EXPOSURE_UNKNOWN);
    }

    @Test
    void theMeanOverTimeIsTheTrapezium() {
        double[] left = {0.82, 0.63, 0.41, 0.22};
        int[] weeks = {2, 4, 8, 12};
        pull("A1", 0, Stage.FRESH, 8);
        pull("B1", 0, Stage.FRESH, 18);
        for (int i = 0; i < left.length; i++) {
            visit(7 * weeks[i], 18 - 10 * left[i]);
        }
        assertThat(only().mean(12).orElseThrow()).isCloseTo(0.551, within(5e-4));
        assertThat(only().mean(2).orElseThrow()).isCloseTo(0.91, within(1e-9));
        assertThat(only().mean(3).orElseThrow()).isCloseTo((2 * 0.91 + 0.7725) / 3, within(1e-9));
        assertThat(only().mean(13)).as("not observed so long").isEmpty();
        assertThat(Fitted.at(9, 1, Curve.SPENT)).isCloseTo(12.48, within(5e-3));
    }

    @Test
    void exposureIsWhatWasLoggedSinceItWentOn() {
        happened.addAll(List.of(
                new Happening(0, Kind.WASHED),
                new Happening(7, Kind.WASHED),
                new Happening(28, Kind.WASHED),
                new Happening(28, 1, Optional.empty(), Kind.DOSED, "strip wash"),
                new Happening(28, 2, Optional.empty(), Kind.DOSED, "tar remover"),
                new Happening(0, Kind.ODOMETER, "48 210 km"),
                new Happening(56, Kind.ODOMETER, "49,330")));
        Exposure exposure = new Exposure(study());
        Occasion visit = new Occasion(28, Stage.REWETTED);
        assertThat(exposure.between(Axis.WASHES, 0, visit)).hasValue(2);
        assertThat(exposure.between(Axis.KM, 0, visit)).hasValue(560);
        assertThat(exposure.between(Axis.KM, 0, new Occasion(60, Stage.REWETTED)))
                .as("not read since")
                .isEmpty();
        assertThat(exposure.between(Axis.DOSES, 0, new Occasion(28, new Look(Stage.AFTER, 1))))
                .hasValue(1);
        assertThat(exposure.between(Axis.DOSES, 0, visit)).hasValue(2);
        assertThat(exposure.between(Axis.WEEKS, 0, visit)).hasValue(4);
        assertThat(exposure.logged(Axis.WASHES, 28)).isFalse();
        assertThat(exposure.logged(Axis.WASHES, 27)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "48210, 48210",
        "'48 210 km, shop', 48210",
        "'1,250', 1250",
        "1.250, 1250",
        "100 miles, 160.9344",
        "none,",
        "'12.5',",
        "'12345678',"
    })
    void anOdometerIsReadAsItIsWritten(String note, Double km) {
        OptionalDouble read = Happening.kilometres(note);
        assertThat(read).isEqualTo(km == null ? OptionalDouble.empty() : OptionalDouble.of(km));
    }

    /** A visit says what was dirt and what is wear, and at which stage water came back. */
    @ParameterizedTest
    @CsvSource({
        "1, 3, 4, 4, MASKED, WASHED",
        "4, 4, 4, 4, AS_FRESH,",
        "2, 2, 2, 2, WORN,",
        "0, 1, 2, 2, BOTH, WASHED",
        "1, 4, 4, 4, MASKED, RINSED",
        "4, 4, 4, 3, WORN,",
        "1, 1, 1, 4, MASKED, REWETTED"
    })
    void dirtAndWearAreToldApart(int arrival, int rinsed, int washed, int again, Showed.State state, Stage back) {
        grade(1, Stage.FRESH, 4);
        grade(28, Stage.ARRIVAL, arrival);
        grade(28, Stage.RINSED, rinsed);
        grade(28, Stage.WASHED, washed);
        grade(28, Stage.REWETTED, again);
        Showed showed = Showed.on(study(), Measures.WATER_GRADE, 28).get(0);
        assertThat(showed.state()).isEqualTo(state);
        assertThat(showed.back()).isEqualTo(Optional.ofNullable(back));
        assertThat(showed.worn()).isEqualTo(4 - again);
        assertThat(showed.masked()).hasValue(again - arrival);
        assertThat(Showed.on(study(), Measures.WATER_GRADE, 27)).isEmpty();
    }

    private void grade(int day, Stage stage, int grade) {
        readings.add(new Reading("A1", day, stage, 1, WaterGrade.seen(WaterKind.REPELS, grade)));
    }

    /** Where less is better, it came back at the first stage with nine tenths of the way from the arrival behind it: 16 N to 11 N, so 11.5. */
    @ParameterizedTest
    @CsvSource({"12, 11.4, WASHED", "11.5, 11.2, RINSED", "11.6, 11.6, REWETTED", "15, 11.5, WASHED"})
    void whatPullsLessCameBackByTheWayFromItsArrival(double rinsed, double washed, Stage back) {
        pull("A1", 1, Stage.FRESH, 9);
        pull("A1", 28, Stage.ARRIVAL, 16);
        pull("A1", 28, Stage.RINSED, rinsed);
        pull("A1", 28, Stage.WASHED, washed);
        pull("A1", 28, Stage.REWETTED, 11);
        Showed showed = Showed.on(study(), Measures.PULL, 28).get(0);
        assertThat(showed.back()).contains(back);
        assertThat(showed.masked()).hasValue(5);
        assertThat(showed.worn()).isEqualTo(2);
    }

    /** Less pull is better, and what repeats scatter by anyway is neither dirt nor wear. */
    @Test
    void whatRepeatsScatterByIsNeither() {
        pull("A1", 1, Stage.FRESH, 8, 10);
        pull("A1", 28, Stage.ARRIVAL, 10, 13);
        pull("A1", 28, Stage.REWETTED, 9, 11);
        assertThat(Showed.on(study(), Measures.PULL, 28).get(0).state()).isEqualTo(Showed.State.AS_FRESH);
        readings.clear();
        pull("A1", 1, Stage.FRESH, 9, 9.1);
        pull("A1", 28, Stage.ARRIVAL, 14, 14.1);
        pull("A1", 28, Stage.REWETTED, 11, 11.1);
        assertThat(Showed.on(study(), Measures.PULL, 28).get(0).state()).isEqualTo(Showed.State.BOTH);
    }

    /** Ten sections on a known curve, two and a half per cent apart, visited weekly: how a promise stands by when it is looked at. */
    @ParameterizedTest
    @CsvSource({
        "lasts 26 weeks, 84, FALLS_SHORT",
        "lasts 4 weeks, 84, HOLDS_UP",
        "lasts 8 weeks, 42, ON_COURSE",
        "lasts 15 weeks, 56, BEHIND",
        "lasts 26 weeks, 21, TOO_EARLY",
        "lasts 10 weeks, 84, NOT_SETTLED",
        "lasts 20 washes, 84, NOT_LOGGED"
    })
    void promisesStandAsTheirTimeHasCome(String label, int until, State state) {
        grid.clear();
        grid.addAll(Studies.grid(2, 3));
        for (Section s : grid) {
            double tau = 10 / Math.log(4) * (1 + 0.025 * (s.row() - 2));
            for (int day = 0; day <= 84; day += 7) {
                double left = Math.exp(-day / 7.0 / tau);
                pull(s.code(), day, day == 0 ? Stage.FRESH : Stage.REWETTED, s.contender() == 1 ? 18 : 18 - 10 * left);
            }
        }
        Axis axis = label.contains("washes") ? Axis.WASHES : Axis.WEEKS;
        Wear wear = Wear.of(
                study(),
                Measures.PULL,
                axis,
                until,
                Map.of(0, LabelLine.read(label).label()));
        assertThat(wear.promises()).hasSize(1);
        assertThat(wear.promises().get(0).state())
                .as("%s", wear.promises().get(0))
                .isEqualTo(state);
    }

    /** Who had more weeks on the road than another is told, from a quarter more on. */
    @ParameterizedTest
    @CsvSource({"28, 28, false", "28, 35, false", "28, 36, true", "56, 28, true"})
    void unevenExposureIsTold(int one, int other, boolean told) {
        grid.clear();
        grid.addAll(Studies.grid(3, 1));
        for (String section : List.of("A1", "B1", "C1")) {
            pull(section, 0, Stage.FRESH, section.equals("C1") ? 18 : 8);
        }
        pull("A1", one, Stage.REWETTED, 10);
        pull("C1", one, Stage.REWETTED, 18);
        pull("B1", other, Stage.REWETTED, 10);
        if (one != other) {
            pull("C1", other, Stage.REWETTED, 18);
        }
        StudyRecord study = new StudyRecord(7, Studies.contenders(2), grid, Studies.plan(1), happened, readings);
        assertThat(Wear.of(study, Measures.PULL, Axis.WEEKS, 99, Map.of()).unevenExposure())
                .hasSize(told ? 2 : 0);
    }

    /** Curves fall, whatever the noise, and what can be kept is said by its scale. */
    @Test
    void onlyMeasuresWithAZeroOnBareAreKept() {
        List<String> kept = Measures.read().stream()
                .filter(Curves::keeps)
                .map(Measure::code)
                .toList();
        assertThat(kept).contains("pull", "drop", "grade").doesNotContain("foam", "glide");
    }

    @Test
    void whatWasDoneOtherwiseAtALaterVisitIsSaid() {
        pull("A1", 1, Stage.FRESH, 8, 8.2);
        pull("B1", 1, Stage.FRESH, 18, 18.2);
        pull("A1", 28, Stage.REWETTED, 12, 12.2);
        assertThat(MethodChange.between(study(), Measures.PULL, 28))
                .containsExactly(new MethodChange(MethodChange.Kind.SECTIONS, "A1, B1", "B1"));
        pull("B1", 28, Stage.REWETTED, 18, 18.4);
        assertThat(MethodChange.between(study(), Measures.PULL, 28)).isEmpty();
        for (String s : List.of("A1", "B1")) {
            readings.add(new Reading(s, new Occasion(56, Stage.REWETTED), 1, Measures.PULL.of(17), "Tern"));
        }
        assertThat(MethodChange.between(study(), Measures.PULL, 56))
                .containsExactly(new MethodChange(MethodChange.Kind.REPEATS, "2", "1"));
        readings.replaceAll(
                r -> r.observer().isEmpty() ? new Reading(r.section(), r.at(), r.repeat(), r.seen(), "Wren") : r);
        assertThat(MethodChange.between(study(), Measures.PULL, 56))
                .contains(new MethodChange(MethodChange.Kind.OBSERVERS, "Wren", "Tern"));
        assertThat(MethodChange.between(study(), Measures.PULL, 99)).isEmpty();
    }
}
