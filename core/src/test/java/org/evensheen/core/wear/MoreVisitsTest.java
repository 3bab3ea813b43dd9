package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

/** What further visits make surer of two lives. */
class MoreVisitsTest {
    private static final double ON = Double.POSITIVE_INFINITY;

    private static Life life(int product, int row, double low, double high) {
        return new Life("s" + product + row, product, row, low, high);
    }

    @Test
    void visitsHelpWhereSectionsGoOnAndMoreOfThemHelpMore() {
        List<Life> one = List.of(life(1, 1, 6, 8), life(1, 2, 8, 10), life(2, 1, 10, ON), life(2, 2, 8, 10));
        double[] left = MoreVisits.left(one, 10, 2, List.of(1, 2, 4), 7);
        assertThat(left[0]).isLessThan(1);
        assertThat(left[2]).isLessThanOrEqualTo(left[0]).isBetween(0.3, 0.95);
        assertThat(MoreVisits.left(one, 10, 2, List.of(1, 2, 4), 7)).isEqualTo(left);
    }

    @Test
    void whatIsSpentGetsNoSurer() {
        List<Life> spent = List.of(life(1, 1, 6, 8), life(1, 2, 8, 10), life(2, 1, 4, 6));
        assertThat(MoreVisits.left(spent, 10, 2, List.of(1, 8), 7)).containsExactly(1, 1);
        assertThatThrownBy(() -> MoreVisits.left(spent.subList(0, 2), 10, 2, List.of(1), 7))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> MoreVisits.left(spent, 10, 0, List.of(1), 7))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whileNothingIsSpentVisitsMakeNothingSurer() {
        List<Life> none = List.of(life(1, 1, 1, ON), life(1, 2, 1, ON), life(2, 1, 1, ON), life(2, 2, 1, ON));
        for (double left : MoreVisits.left(none, 1, 1, List.of(1, 2, 4, 8), 7)) {
            assertThat(left).isGreaterThan(0).isLessThanOrEqualTo(1);
        }
    }
}
