package org.evensheen.app.studies;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Spread;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The drawings are the measurements: what is drawn can be measured back. */
@ExtendWith(LiveApp.class)
class DrawingsTest {
    private static final Pattern ARC =
            Pattern.compile("M([-\\d.]+),([-\\d.]+) A([-\\d.]+),[-\\d.]+ 0 (\\d) 1 ([-\\d.]+),[-\\d.]+ Z");

    @ParameterizedTest
    @ValueSource(doubles = {15, 37.58, 62, 90, 103.3, 125, 150})
    void aDropIsDrawnAtItsContactAngleAndAlwaysTheSameAmountOfWater(double degrees) {
        Matcher arc = ARC.matcher(Glyphs.drop(100, 50, 20, degrees));
        assertThat(arc.matches()).isTrue();
        double half = (Double.parseDouble(arc.group(5)) - Double.parseDouble(arc.group(1))) / 2;
        double radius = Double.parseDouble(arc.group(3));
        boolean large = arc.group(4).equals("1");
        double sine = Math.min(1, half / radius);
        double drawn = Math.toDegrees(large ? Math.PI - Math.asin(sine) : Math.asin(sine));
        assertThat(drawn).isCloseTo(degrees, within(degrees > 80 && degrees < 100 ? 2 : 0.6));
        double cosine = Math.cos(Math.toRadians(degrees));
        double volume = Math.PI * Math.pow(radius, 3) * (2 + cosine) * Math.pow(1 - cosine, 2) / 3;
        assertThat(volume).isCloseTo(4 * Math.PI / 3 * 8000, within(120.0));
    }

    private static Selection looking(Study study, int day) {
        return Selection.of(
                study,
                new Selection.Asked(Optional.of(day), Optional.empty(), Optional.empty(), Optional.of("pull")),
                SampleStudy.TODAY);
    }

    private static double[] numbers(String path) {
        return Pattern.compile("-?\\d+(?:\\.\\d+)?")
                .matcher(path)
                .results()
                .mapToDouble(m -> Double.parseDouble(m.group()))
                .toArray();
    }

    @Test
    void theSledStandsAsFarAlongItsRailAsThePullIsOfBareThatDay() {
        Study study = SampleStudy.read();
        PanelDrawing panel = PanelDrawing.of(study, looking(study, SampleStudy.TODAY));
        double bare = study.record()
                .bareSections()
                .mapToDouble(s -> pull(study, s))
                .average()
                .orElseThrow();
        for (PanelDrawing.SectionDrawing drawn : panel.sections()) {
            Section section = study.record().section(drawn.code()).orElseThrow();
            double[] run = numbers(drawn.runner().path());
            double barePlace = numbers(drawn.bareMark())[0];
            assertThat((run[2] - run[0]) / (barePlace - run[0]))
                    .as(drawn.code())
                    .isCloseTo(Math.min(1.1, pull(study, section) / bare), within(0.001));
            assertThat(drawn.spoken()).contains(drawn.runner().figure());
            assertThat(drawn.runner().read()).isTrue();
        }
    }

    private static double pull(Study study, Section section) {
        return study.record()
                .mean(section, SampleStudy.VISIT, Measures.PULL)
                .map(Spread::mean)
                .orElseThrow();
    }

    @Test
    void theBedIsToScaleAndADayWithoutReadingsIsEstimatedOrBlank() {
        Study study = SampleStudy.read();
        PanelDrawing today = PanelDrawing.of(study, looking(study, SampleStudy.TODAY));
        double[] film = numbers(today.sections().get(0).film());
        Section first = study.record().sections().get(0);
        assertThat(film[2] / film[3]).isCloseTo(first.widthMm() / first.heightMm(), within(0.005));
        PanelDrawing between = PanelDrawing.of(study, looking(study, 5));
        assertThat(between.sections()).allSatisfy(s -> {
            assertThat(s.runner().certainty()).isEqualTo("estimated");
            assertThat(s.spoken()).contains("estimated");
        });
        assertThat(today.sections())
                .filteredOn(s -> s.states().contains("bare"))
                .hasSize(2);
        assertThat(today.sections())
                .filteredOn(s -> s.states().contains("chosen"))
                .hasSize(1);
    }

    @Test
    void theTapeHasANotchForEveryVisitAndHappeningAtItsPlace() {
        Study study = SampleStudy.read();
        LiveApp.database()
                .sql("insert into happening (study_id, day, kind, kept_by, page_key)"
                        + " values (:s, 3, 'washed', 'Ana', gen_random_uuid())")
                .param("s", study.id())
                .update();
        Study washed = LiveApp.bean(StudyStore.class).load(study.id());
        TapeDrawing tape = TapeDrawing.of(washed, looking(washed, SampleStudy.TODAY));
        assertThat(tape.lastDay()).isEqualTo(15);
        List<String> notches =
                tape.notches().stream().map(n -> n.shape() + " " + n.at()).collect(Collectors.toList());
        assertThat(notches)
                .containsExactlyInAnyOrder(
                        "#n-washed 20%", "#n-done 0%", "#n-done 6.67%", "#n-done 53.33%", "#n-ahead 100%");
        assertThat(tape.dayWords()).isEqualTo("Today, day 8");
        assertThat(tape.spoken()).contains("wetted again");
        assertThat(TapeDrawing.of(washed, looking(washed, 3)).dayWords()).isEqualTo("Day 3");
    }

    @Test
    void aSelectionFallsOnWhatIsExpectedNext() {
        Study study = SampleStudy.make();
        Selection open = Selection.of(study, Selection.Asked.NOTHING, SampleStudy.TODAY);
        assertThat(open.at()).isEqualTo(SampleStudy.VISIT);
        assertThat(open.section()).isEqualTo(study.record().sections().get(0));
        assertThat(open.measure()).isEqualTo(Measures.PULL);
        Selection late = Selection.of(study, Selection.Asked.NOTHING, 400);
        assertThat(late.at().day())
                .as("long after the plan, the tape ends four weeks on")
                .isEqualTo(15 + 28);
    }
}
