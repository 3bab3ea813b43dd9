package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Observation.Pull;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.junit.jupiter.api.Test;

class JudgeTest {
    private final List<Section> sections = Studies.grid(4, 2);
    private static final Map<String, Double> TODAY =
            Map.of("A1", 12.7, "B1", 9.0, "C1", 9.3, "D1", 18.0, "A2", 13.1, "B2", 9.4, "C2", 9.3, "D2", 18.4);

    private StudyRecord study() {
        List<Reading> fresh =
                Studies.pulls(sections, Studies.FRESH, s -> s.contender() == 3 ? 18.2 : 8.6 + s.row() * 0.02);
        List<Reading> today = Studies.pulls(sections, Studies.LATER, s -> TODAY.get(s.code()));
        return Studies.study(
                3, sections, Stream.concat(fresh.stream(), today.stream()).toList());
    }

    private static Verdict judged(StudyRecord study, int day) {
        return Judge.verdict(study, Measure.PULL, day, Optional.empty()).orElseThrow();
    }

    @Test
    void productsThatCanNotBeToldApartShareAPlaceAndOthersDoNot() {
        Verdict verdict = judged(study(), 28);
        assertThat(verdict.results())
                .extracting(r -> r.contender().name() + " " + r.place())
                .containsExactly("Product 1 1", "Product 2 1", "Product 0 3");
        assertThat(verdict.blocked()).isTrue();
        assertThat(verdict.scatter().orElseThrow().freedom()).isEqualTo(3);
        assertThat(verdict.leastDetectable().orElseThrow()).isBetween(0.3, 1.2);
    }

    @Test
    void benefitAndRetentionSetTodayAgainstBareOfToday() {
        Verdict.Result reference = judged(study(), 28).results().get(2);
        assertThat(reference.benefit().orElseThrow().value()).isCloseTo(1 - 12.9 / 18.2, within(1e-12));
        Ratio retention = reference.retention().orElseThrow();
        assertThat(retention.value()).isCloseTo((18.2 - 12.9) / (18.2 - 8.63), within(1e-12));
        assertThat(retention.interval().orElseThrow().holds(retention.value())).isTrue();
        assertThat(judged(study(), 1).results().get(0).retention())
                .as("nothing to retain on the first day")
                .isEmpty();
    }

    @Test
    void chancesSumToOneByProductAndByPlaceAndFollowTheStoredSeed() {
        List<Verdict.Result> results = judged(study(), 28).results();
        for (int k = 0; k < 3; k++) {
            int place = k;
            assertThat(results.get(k).chances().stream().mapToDouble(c -> c).sum())
                    .isCloseTo(1, within(1e-9));
            assertThat(results.stream().mapToDouble(r -> r.chances().get(place)).sum())
                    .isCloseTo(1, within(1e-9));
        }
        assertThat(results.get(2).chances().get(2)).isGreaterThan(0.99);
        assertThat(judged(study(), 28)).isEqualTo(judged(study(), 28));
    }

    @Test
    void repeatsOnOneSectionNeverPassForSections() {
        StudyRecord once = study();
        StudyRecord thrice = once;
        for (Section section : sections) {
            for (int repeat = 2; repeat <= 3; repeat++) {
                thrice = thrice.with(new Reading(
                        section.code(), 28, Studies.LATER.stage(), repeat, new Pull(TODAY.get(section.code()))));
            }
        }
        Estimate ofThree = judged(thrice, 28).pairs().get(0).difference();
        Estimate ofOne = judged(once, 28).pairs().get(0).difference();
        assertThat(ofThree.freedom()).isEqualTo(ofOne.freedom());
        assertThat(ofThree.standardError()).isCloseTo(ofOne.standardError(), within(1e-12));
    }

    @Test
    void withoutScatterNothingIsToldApartUntilTheHouseLendsSome() {
        List<Section> single = Studies.grid(4, 1);
        StudyRecord study = Studies.study(3, single, Studies.pulls(single, Studies.LATER, s -> TODAY.get(s.code())));
        Verdict alone = judged(study, 28);
        assertThat(alone.scatter()).isEmpty();
        assertThat(alone.results()).extracting(Verdict.Result::place).containsOnly(1);
        assertThat(alone.results().get(0).benefit().orElseThrow().interval()).isEmpty();

        Verdict borrowed = Judge.verdict(
                        study, Measure.PULL, 28, Optional.of(new HouseScatter(0.04, 20, "two earlier studies")))
                .orElseThrow();
        assertThat(borrowed.scatter().orElseThrow().borrowedFrom()).contains("two earlier studies");
        assertThat(borrowed.results()).extracting(Verdict.Result::place).containsExactly(1, 1, 3);
    }

    @Test
    void gradesAreNotMeasuredAndANewStudyHasNoVerdict() {
        assertThat(Judge.verdict(study(), Measure.PULL, 0, Optional.empty())).isEmpty();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Judge.verdict(study(), Measure.WATER_GRADE, 28, Optional.empty()));
    }
}
