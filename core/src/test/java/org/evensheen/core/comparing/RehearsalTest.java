package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.evensheen.core.comparing.Rehearsal.Case;
import org.evensheen.core.comparing.Rehearsal.Outcome;
import org.evensheen.core.comparing.Rehearsal.Supposed;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.junit.jupiter.api.Test;

class RehearsalTest {
    private static final double NEVER = 1e9;
    private static final Plan PLAN = new Plan(
            List.of(new Plan.Planned(Measures.PULL, 3)),
            List.of(
                    new Occasion(0, Stage.BARE),
                    new Occasion(1, Stage.FRESH),
                    new Occasion(8, Stage.REWETTED),
                    new Occasion(15, Stage.REWETTED)));

    private static Case of(int products, int rows, Map<Integer, Supposed> truth, double sections, double repeats) {
        return new Case(
                Studies.contenders(products),
                Studies.grid(products + 1, rows),
                PLAN,
                Measures.PULL,
                18,
                truth,
                sections,
                repeats,
                99);
    }

    private static Outcome run(Case of, int studies) {
        return Rehearsal.run(of, studies, 0, n -> {}, () -> false).orElseThrow();
    }

    /**
     * Two products that never fade: the best stands alone in first place exactly if the t test of their difference finds it, the
     * right way round. The standard error of a difference of two means of n sections is σ·√(2/n), where σ² = between sections² +
     * between repeats² / repeats; three treatments in n complete blocks leave 2·(n − 1) degrees of freedom.
     */
    @Test
    void powerAgreesWithTheClosedFormWithinSamplingError() {
        int blocks = 4;
        int studies = 4000;
        double difference = 1.4;
        double sigma = Math.sqrt(0.5 * 0.5 + 0.6 * 0.6 / 3);
        double error = sigma * Math.sqrt(2.0 / blocks);
        double freedom = 2 * (blocks - 1);
        double expected = LeastDetectable.power(difference / error, Estimate.critical(freedom), freedom);
        assertThat(expected).as("a case that tells something").isBetween(0.5, 0.95);
        Outcome outcome = run(
                of(2, blocks, Map.of(0, new Supposed(9, NEVER), 1, new Supposed(9 + difference, NEVER)), 0.5, 0.6),
                studies);
        assertThat(outcome.right()).isCloseTo(expected, within(3 * Math.sqrt(expected * (1 - expected) / studies)));
        assertThat(outcome.pairsApart()).isEqualTo(outcome.right());
        assertThat(outcome.wrong()).isLessThan(0.005);
        assertThat(outcome.equalsApart()).isEmpty();
    }

    @Test
    void equalsAreCalledDifferentNoOftenerThanAllPairsAtOnceAllow() {
        Map<Integer, Supposed> alike =
                Map.of(0, new Supposed(9, 8), 1, new Supposed(9, 8), 2, new Supposed(9, 8), 3, new Supposed(9, 8));
        Outcome outcome = run(of(4, 3, alike, 0.5, 0.3), 2000);
        assertThat(outcome.right()).as("nobody is truly best").isZero();
        assertThat(outcome.equalsApart().orElseThrow()).isBetween(0.001, 0.02);
    }

    @Test
    void oneMoreSectionEachNarrowsTheIntervalAndASeedRepeatsItself() {
        Map<Integer, Supposed> truth = Map.of(0, new Supposed(9, 10), 1, new Supposed(9.6, 8), 2, new Supposed(11, 5));
        Case two = of(3, 2, truth, 0.5, 0.3);
        Case three = new Case(
                two.contenders(), Rehearsal.oneMoreEach(two.sections()), PLAN, Measures.PULL, 18, truth, 0.5, 0.3, 99);
        Outcome narrow = run(three, 600);
        Outcome wide = run(two, 600);
        assertThat(narrow.width()).isLessThan(0.8 * wide.width());
        assertThat(narrow.right()).isGreaterThan(wide.right());
        assertThat(run(two, 600)).isEqualTo(wide);
    }

    @Test
    void visitsGetAShareEachAndCancellingEndsIt() {
        Map<Integer, Supposed> truth = Map.of(0, new Supposed(8, 20), 1, new Supposed(8, 3));
        AtomicInteger last = new AtomicInteger();
        Outcome outcome = Rehearsal.run(of(2, 3, truth, 0.3, 0.2), 200, 200, last::set, () -> false)
                .orElseThrow();
        assertThat(last.get()).isPositive();
        assertThat(outcome.byDay()).extracting(Rehearsal.Point::day).containsExactly(1, 8, 15);
        assertThat(outcome.byDay().get(0).right())
                .as("alike when fresh, apart when worn")
                .isLessThan(0.05)
                .isLessThan(outcome.byDay().get(2).right() - 0.5);
        assertThat(Rehearsal.run(of(2, 3, truth, 0.3, 0.2), 4000, 0, n -> {}, () -> true))
                .isEmpty();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> run(of(1, 3, Map.of(0, new Supposed(8, 20)), 0.3, 0.2), 10));
    }

    @Test
    void completeBlocksWidenNothingAndASpoiltBlockDoes() {
        List<Section> complete = Layout.draw(Layout.Ask.filling(BedShape.rectangle(2400, 1200), List.of(3, 3, 3, 3), 5))
                .sections();
        assertThat(Efficiency.widening(complete, 3).orElseThrow()).isCloseTo(1, within(1e-9));
        List<Section> spoilt = complete.stream()
                .map(s -> s.contender() == 0
                        ? new Section(s.code(), 0, 1, s.xMm(), s.yMm(), s.widthMm(), s.heightMm(), true)
                        : s)
                .toList();
        assertThat(Efficiency.widening(spoilt, 3).orElseThrow()).isGreaterThan(1.1);
    }
}
