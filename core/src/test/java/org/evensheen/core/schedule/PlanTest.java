package org.evensheen.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.junit.jupiter.api.Test;

class PlanTest {
    private final Plan plan = new Plan(
            List.of(new Plan.Planned(Measures.DROP, 1), new Plan.Planned(Measures.PULL, 3)),
            List.of(
                    new Occasion(28, Stage.REWETTED),
                    new Occasion(2, Stage.FRESH),
                    new Occasion(0, Stage.BARE),
                    new Occasion(28, Stage.ARRIVAL)));

    @Test
    void visitsStandInOrderAndTheLastOfADayIsTheOneMeant() {
        assertThat(plan.visits()).isSorted().hasSize(4);
        assertThat(plan.visitOn(28)).contains(new Occasion(28, Stage.REWETTED));
        assertThat(plan.visitOn(27)).isEmpty();
        assertThat(plan.lastDay()).isEqualTo(28);
        assertThat(new Plan(List.of(), List.of()).lastDay()).isZero();
    }

    @Test
    void whatIsAskedForIsAskedForSoOften() {
        assertThat(plan.asksFor(Measures.PULL)).isTrue();
        assertThat(plan.asksFor(Measures.GLOSS)).isFalse();
        assertThat(plan.repeatsOf(Measures.PULL)).isEqualTo(3);
        assertThat(plan.repeatsOf(Measures.GLOSS))
                .as("whatever is read on top is one")
                .isEqualTo(1);
        assertThatIllegalArgumentException().isThrownBy(() -> new Plan.Planned(Measures.PULL, 0));
        assertThatIllegalArgumentException().isThrownBy(() -> new Plan.Planned(Measures.PULL, 21));
        assertThat(new Plan.Planned(Measures.PULL, 20).repeats()).isEqualTo(20);
    }
}
