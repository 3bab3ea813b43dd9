package org.evensheen.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.core.comparing.Judge;
import org.evensheen.core.comparing.Ratio;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;

/** Whole studies drawn from a truth that is known: does the judging find it, as often as it says? */
class KnownTruthTest {
    private static final int STUDIES = 200;
    private static final Occasion FRESH = new Occasion(1, Stage.FRESH);
    private static final Occasion LATER = new Occasion(42, Stage.REWETTED);
    private static final Paint PAINT = new Paint(18.2, 24, 120, 0.02, 0.015, 0.012, 0.05);

    /** Products 0 and 1 are equal in truth, 2 is clearly worse. */
    private static final Map<Integer, Coating> TRUTH = Map.of(
            0, new Coating(8.6, 106, 40, 12, 1),
            1, new Coating(8.6, 106, 40, 12, 1),
            2, new Coating(10.5, 95, 60, 5, 1));

    private static List<Contender> contenders() {
        List<Contender> contenders = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            contenders.add(new Contender(
                    i, "Product " + i, i == 0 ? Role.REFERENCE : Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT));
        }
        contenders.add(new Contender(3, "Bare", Role.BARE, WaterKind.REPELS, Source.BOUGHT));
        return contenders;
    }

    private static StudyRecord layout(long seed, Measure... measures) {
        return new StudyRecord(
                seed,
                contenders(),
                Layout.draw(Layout.Ask.filling(BedShape.rectangle(2400, 1200), List.of(2, 2, 2, 2), seed))
                        .sections(),
                new Plan(
                        java.util.Arrays.stream(measures)
                                .map(m -> new Plan.Planned(m, 3))
                                .toList(),
                        List.of(FRESH, LATER)),
                List.of(),
                List.of());
    }

    private static StudyRecord simulated(long seed, Measure... measures) {
        StudyRecord empty = layout(seed, measures);
        SimulatedBed bed = bed(empty, seed);
        List<Reading> readings = new ArrayList<>();
        for (Section section : empty.sections()) {
            readings.addAll(bed.read(section, FRESH));
            readings.addAll(bed.read(section, LATER));
        }
        return new StudyRecord(seed, empty.contenders(), empty.sections(), empty.plan(), List.of(), readings);
    }

    private static SimulatedBed bed(StudyRecord layout, long seed) {
        return new SimulatedBed(layout, PAINT, TRUTH, FRESH.day(), seed);
    }

    @Test
    void ninetyFivePerCentIntervalsCoverTheTruthAndEqualsAreTied() {
        Coverage benefit = new Coverage();
        Coverage retention = new Coverage();
        Coverage difference = new Coverage();
        int tied = 0;
        int worseFound = 0;
        for (long seed = 1; seed <= STUDIES; seed++) {
            StudyRecord study = simulated(seed, Measures.PULL);
            Verdict verdict =
                    Judge.verdict(study, Measures.PULL, 42, Optional.empty()).orElseThrow();
            SimulatedBed bed = bed(study, seed);
            double bare = bed.truth(study.contenders().get(3), LATER, Measures.PULL);
            for (Verdict.Result result : verdict.results()) {
                double now = bed.truth(result.contender(), LATER, Measures.PULL);
                double fresh = bed.truth(result.contender(), FRESH, Measures.PULL);
                benefit.count(result.benefit().value().orElseThrow(), 1 - now / bare);
                retention.count(result.retention().value().orElseThrow().share(), (bare - now) / (bare - fresh));
            }
            Verdict.Result first = verdict.result(study.contenders().get(0)).orElseThrow();
            Verdict.Result second = verdict.result(study.contenders().get(1)).orElseThrow();
            Verdict.Result third = verdict.result(study.contenders().get(2)).orElseThrow();
            Verdict.Pair equals = verdict.pairs().stream()
                    .filter(p -> p.joins(0, 1))
                    .findFirst()
                    .orElseThrow();
            difference.count(new Ratio(0, equals.interval()), 0);
            tied += first.place() == 1 && second.place() == 1 ? 1 : 0;
            worseFound += third.place() == 3 ? 1 : 0;
        }
        // 95 % of 600 has a binomial standard error of 0.9 %; the three products of a study share its bare sections,
        // so allow for about 300 that are independent.
        assertThat(benefit.share()).as("benefit").isCloseTo(0.95, within(0.035));
        assertThat(retention.share()).as("retention").isCloseTo(0.95, within(0.04));
        assertThat(difference.share()).as("difference of equals").isBetween(0.95, 0.999);
        assertThat(tied / (double) STUDIES).as("equals that share first place").isCloseTo(0.95, within(0.045));
        assertThat(worseFound).as("the worse one found").isGreaterThan((int) (0.85 * STUDIES));
    }

    @Test
    void dropsWaterLeftBehindAndGlossAreReadAroundTheirTruth() {
        Map<Measure, Double> near = Map.of(Measures.DROP, 5.0, Measures.LEFT_BEHIND, 8.0, Measures.GLOSS, 1.5);
        StudyRecord study = simulated(11, Measures.DROP, Measures.LEFT_BEHIND, Measures.GLOSS);
        SimulatedBed bed = bed(study, 11);
        for (Measure measure : near.keySet()) {
            for (Contender contender : study.contenders()) {
                double mean = study.sectionsOf(contender)
                        .mapToDouble(
                                s -> study.mean(s, LATER, measure).orElseThrow().mean())
                        .average()
                        .orElseThrow();
                assertThat(mean)
                        .as("%s of %s", measure, contender.name())
                        .isCloseTo(bed.truth(contender, LATER, measure), within(near.get(measure)));
            }
        }
    }

    @Test
    void glossIsJudgedByWhatItGainsOnBare() {
        StudyRecord study = simulated(23, Measures.GLOSS);
        Verdict verdict =
                Judge.verdict(study, Measures.GLOSS, 42, Optional.empty()).orElseThrow();
        SimulatedBed bed = bed(study, 23);
        double bare = bed.truth(study.contenders().get(3), LATER, Measures.GLOSS);

        for (Verdict.Result result : verdict.results()) {
            Ratio gain = result.benefit().value().orElseThrow();
            double truth = bed.truth(result.contender(), LATER, Measures.GLOSS) - bare;
            assertThat(truth)
                    .as("GU gained by %s", result.contender().name())
                    .isBetween(
                            gain.interval().orElseThrow().low(),
                            gain.interval().orElseThrow().high());
        }
        assertThat(verdict.result(study.contenders().get(2)).orElseThrow().place())
                .as("the one that has worn off stands behind the first")
                .isGreaterThan(1);
    }

    @Test
    void aReadingFollowsFromTheSeedInWhateverOrderItIsTaken() {
        StudyRecord layout = layout(5, Measures.PULL);
        Section section = layout.sections().get(2);
        SimulatedBed one = bed(layout, 5);
        Reading late = one.read(section, LATER, Measures.PULL, 3);
        one.read(section, FRESH);
        assertThat(bed(layout, 5).read(section, LATER, Measures.PULL, 3)).isEqualTo(late);
        assertThat(bed(layout, 6).read(section, LATER, Measures.PULL, 3)).isNotEqualTo(late);
    }

    private static final class Coverage {
        private int asked;
        private int held;

        void count(Ratio ratio, double truth) {
            asked++;
            held += ratio.interval().filter(i -> i.holds(truth)).isPresent() ? 1 : 0;
        }

        double share() {
            return held / (double) asked;
        }
    }
}
