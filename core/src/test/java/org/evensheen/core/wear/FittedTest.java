package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.hipparchus.distribution.continuous.TDistribution;
import org.junit.jupiter.api.Test;

/** The curve of a product, its band and the chance that a quarter is left at a date. */
class FittedTest {

    /** A section that falls exactly as {@code exp(−(x/τ)^k)} at so many visits, two weeks apart. */
    private static Curve falling(String section, int contender, double tau, double k, int visits) {
        List<Curve.Point> points = new ArrayList<>();
        for (int v = 1; v <= visits; v++) {
            double left = Math.exp(-Math.pow(2 * v / tau, k));
            points.add(
                    new Curve.Point(new Occasion(14 * v, Stage.REWETTED), 2 * v, left, left, OptionalDouble.empty()));
        }
        return new Curve(section, contender, 1, 1, 0, Curve.Control.BARE, 0.5, points);
    }

    /** Two sections with τ 8 and 12.5, and a product of which both have 5: ln τ scatters by 0.0996 over two degrees of freedom. */
    @Test
    void theScatterOfSectionsIsPooledOverProducts() {
        Map<Integer, Fitted> fitted = Fitted.all(List.of(
                falling("A", 0, 8, 1, 5),
                falling("B", 0, 12.5, 1, 5),
                falling("C", 1, 5, 1, 5),
                falling("D", 1, 5, 1, 5)));
        Fitted one = fitted.get(0);
        assertThat(one.tau()).isCloseTo(10, within(1e-4));
        assertThat(one.k()).as("five visits don't bend it").isEqualTo(1);
        assertThat(one.checkpoints()).isEqualTo(5);
        assertThat(one.span()).isEqualTo(10);
        assertThat(one.left(10)).isCloseTo(0.3679, within(1e-4));
        assertThat(one.spentAt()).isCloseTo(13.863, within(1e-3));
        assertThat(one.logTau().freedom()).isEqualTo(2);
        double error = Math.sqrt(2 * Math.pow(Math.log(12.5 / 8) / 2, 2) / 2 / 2);
        assertThat(one.logTau().standardError()).isCloseTo(error, within(1e-5));
        double t = new TDistribution(2).inverseCumulativeProbability(0.975);
        assertThat(one.band(10).orElseThrow().low()).isCloseTo(Math.exp(-Math.exp(t * error)), within(1e-4));
        assertThat(one.band(10).orElseThrow().high()).isCloseTo(Math.exp(-Math.exp(-t * error)), within(1e-4));
        assertThat(one.chanceLeftAt(13.863).orElseThrow()).isCloseTo(0.5, within(1e-3));
        assertThat(one.chanceLeftAt(7).orElseThrow())
                .isCloseTo(new TDistribution(2).cumulativeProbability(Math.log(13.863 / 7) / error), within(1e-3));
        assertThat(one.chanceLeftAt(20)).as("twice what was observed").isPresent();
        assertThat(one.chanceLeftAt(20.01)).isEmpty();
        assertThat(fitted.get(1).tau()).isCloseTo(5, within(1e-4));
        assertThat(fitted.get(1).logTau().standardError())
                .as("its own sections are alike, and carry the scatter of all")
                .isCloseTo(error, within(1e-5));
    }

    @Test
    void fromSixVisitsOnACurveBends() {
        assertThat(Fitted.all(List.of(falling("A", 0, 9, 2, 5))).get(0).k()).isEqualTo(1);
        Fitted bent = Fitted.all(List.of(falling("A", 0, 9, 2, 6))).get(0);
        assertThat(bent.k()).isCloseTo(2, within(1e-2));
        assertThat(bent.tau()).isCloseTo(9, within(1e-2));
        assertThat(bent.spentAt()).as("τ √ln 4").isCloseTo(9 * Math.sqrt(Math.log(4)), within(2e-2));
    }

    @Test
    void oneSectionEachHasNoBandAndNoChance() {
        Fitted alone = Fitted.all(List.of(falling("A", 0, 8, 1, 4), falling("B", 1, 6, 1, 4)))
                .get(0);
        assertThat(alone.band(4)).isEmpty();
        assertThat(alone.chanceLeftAt(4)).isEmpty();
        assertThat(Fitted.all(List.of(falling("A", 0, 8, 1, 0))))
                .as("no visit yet")
                .isEmpty();
    }
}
