package org.evensheen.core.footing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.footing.Finding.Kind;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.study.Application;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Deviation;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FootingReviewTest {
    private List<Section> sections = Studies.grid(3, 2);
    private List<Contender> contenders = Studies.contenders(2);
    private final List<Happening> happenings = new ArrayList<>(
            List.of(new Happening(0, Happening.Kind.GAUGE_CHECKED), new Happening(28, Happening.Kind.WEATHER_NOTED)));
    private static final Label LABEL =
            LabelLine.read("3–5 sprays per section; wait 1–3 min; 1–2 coats").label();
    private List<Application> applications = List.of(followed(0), followed(1));
    private int baselineGrade = 0;
    private List<Reading> extra = List.of();
    private boolean bareRead = true;

    private static Application followed(int contender) {
        return done(contender, "4 sprays per section", 120, 2);
    }

    private static Application done(int contender, String dose, double wait, int coats) {
        return new Application(
                contender,
                contender,
                1,
                "",
                LabelLine.readDose(dose).dose(),
                Optional.of(wait),
                Optional.of(coats),
                Optional.empty(),
                "",
                Optional.of(LABEL),
                List.of());
    }

    private List<Deviation> deviations = List.of();

    private List<Finding> review() {
        List<Reading> baseline = sections.stream()
                .map(s -> new Reading(s.code(), 0, Stage.BARE, 1, WaterGrade.seen(WaterKind.REPELS, baselineGrade)))
                .toList();
        List<Section> read = sections.stream()
                .filter(s -> bareRead || !contenders.get(s.contender()).isBare())
                .toList();
        List<Reading> today = Studies.pulls(read, Studies.LATER, s -> 9 + s.contender());
        return FootingReview.of(
                new StudyRecord(
                        7,
                        contenders,
                        sections,
                        Studies.plan(1),
                        happenings,
                        applications,
                        deviations,
                        Stream.of(baseline, today, extra).flatMap(List::stream).toList()),
                Measures.PULL,
                28);
    }

    private void finds(Kind kind, Footing footing) {
        List<Finding> findings = review();
        assertThat(findings).extracting(Finding::kind).contains(kind);
        assertThat(findings).allSatisfy(f -> assertThat(f.remedy()).isNotBlank());
        assertThat(Footing.under(findings)).isEqualTo(footing);
    }

    @Test
    void aStudyWithNothingAgainstItIsFirm() {
        assertThat(review()).isEmpty();
        assertThat(Footing.under(review())).isEqualTo(Footing.FIRM);
    }

    @Test
    void noBareSectionIsAnAnecdote() {
        sections = sections.stream().filter(s -> s.contender() < 2).toList();
        finds(Kind.NO_BARE_SECTION, Footing.ANECDOTE);
    }

    /** Set against itself before: thin with one place each, fair where places were exchanged and it was done again. */
    @Test
    void whatIsSetAgainstItselfBeforeIsThinOnceAndFairTwice() {
        sections = sections.stream().filter(s -> s.contender() < 2).toList();
        extra = Studies.pulls(sections, Studies.BARE, s -> 18);
        finds(Kind.OWN_BEFORE, Footing.FAIR);
        assertThat(review()).extracting(Finding::kind).doesNotContain(Kind.NO_BARE_SECTION);
        extra = extra.subList(1, extra.size());
        finds(Kind.NO_BARE_SECTION, Footing.ANECDOTE);
        sections = Studies.grid(2, 1);
        extra = Studies.pulls(sections, Studies.BARE, s -> 18);
        finds(Kind.OWN_BEFORE_ONCE, Footing.THIN);
    }

    @Test
    void noBareReadingThatDayIsAnAnecdote() {
        bareRead = false;
        finds(Kind.NO_BARE_READING, Footing.ANECDOTE);
    }

    @Test
    void waterThatStandsAtTheStartIsAnAnecdoteByGradeOrByDrop() {
        baselineGrade = 2;
        finds(Kind.BASELINE_NOT_BARE, Footing.ANECDOTE);
        baselineGrade = 0;
        extra = List.of(new Reading("B2", 0, Stage.BARE, 1, Measures.DROP.of(2.0, 3.6)));
        finds(Kind.BASELINE_NOT_BARE, Footing.ANECDOTE);
        assertThat(review().get(0).numbers()).contains("B2");
    }

    @Test
    void oneSectionPerProductIsThin() {
        sections = Stream.concat(
                        Studies.grid(3, 1).stream(),
                        Studies.grid(3, 2).stream().filter(s -> s.code().equals("C2")))
                .toList();
        finds(Kind.ONE_SECTION_EACH, Footing.THIN);
    }

    @Test
    void aSectionPlacedByHandIsThin() {
        Section moved = sections.get(0);
        sections = Stream.concat(
                        Stream.of(new Section(moved.code(), moved.contender(), 1, 0, 400, 300, 200, true)),
                        sections.stream().skip(1))
                .toList();
        finds(Kind.PLACED_BY_HAND, Footing.THIN);
    }

    @Test
    void aTopperInMidRunIsThinAndAnOldGaugeCheckIsFair() {
        happenings.set(0, new Happening(-40 + 1, Happening.Kind.GAUGE_CHECKED));
        finds(Kind.GAUGE_UNCHECKED, Footing.FAIR);
        happenings.add(new Happening(20, Happening.Kind.TOPPED));
        finds(Kind.TOPPED_MIDWAY, Footing.THIN);
    }

    @ParameterizedTest
    @CsvSource({
        "BARE_GATE, BASELINE_UNPROVEN, THIN",
        "RESIDUE_GATE, RESIDUE_LEFT, THIN",
        "CURE_GATE, CURE_CUT_SHORT, THIN",
        "WEATHER, OUT_OF_WEATHER, FAIR",
        "NOTED, DEVIATION_NOTED, FAIR"
    })
    void whatWentOtherwiseOnTheDayIsFoundWithItsWords(Deviation.Kind what, Kind kind, Footing footing) {
        deviations = List.of(
                new Deviation(1, what, Optional.of("B"), "the light was going."),
                new Deviation(99, what, Optional.empty(), "long after"));
        finds(kind, footing);
        assertThat(review())
                .filteredOn(f -> f.kind() == kind)
                .singleElement()
                .satisfies(f -> assertThat(f.numbers()).isEqualTo("Day 1, B: the light was going."));
    }

    @Test
    void unknownSourceIsFair() {
        contenders = contenders.stream()
                .map(c -> new Contender(c.number(), c.name(), c.role(), WaterKind.REPELS, Contender.Source.UNDISCLOSED))
                .toList();
        finds(Kind.SOURCE_UNDISCLOSED, Footing.FAIR);
    }

    @ParameterizedTest
    @CsvSource({
        "9.5 sprays per section, 120, 2, DOSE_BEYOND_LABEL, THIN, 1.9×",
        "6 sprays per section, 120, 2, LABEL_DEPARTED, FAIR, 1.2×",
        "2 sprays per section, 120, 2, LABEL_DEPARTED, FAIR, 0.67×",
        "4 sprays per section, 30, 2, WAIT_OUTSIDE_LABEL, THIN, 0.50×",
        "4 sprays per section, 120, 3, LABEL_DEPARTED, FAIR, 1.5×"
    })
    void aDepartureFromTheLabelIsFoundWithItsFactor(
            String dose, double wait, int coats, Kind kind, Footing footing, String factor) {
        applications = List.of(followed(0), done(1, dose, wait, coats));
        finds(kind, footing);
        assertThat(review().get(0).numbers()).contains("1 of 2 products", factor);
    }

    @Test
    void aProductWhoseApplicationIsNotNotedIsFairAtMost() {
        applications = List.of(followed(0));
        finds(Kind.LABEL_UNPROVEN, Footing.FAIR);
        assertThat(review().get(0).numbers()).contains("1 of 2 products");
        Application unlike = done(1, "10 mL per panel", 120, 1);
        assertThat(LabelDeparture.of(unlike))
                .filteredOn(d -> d.what() == LabelDeparture.What.DOSE)
                .as("mL on a panel are not sprays on a section")
                .singleElement()
                .matches(d -> d.departure().isEmpty() && !d.departed());
    }
}
