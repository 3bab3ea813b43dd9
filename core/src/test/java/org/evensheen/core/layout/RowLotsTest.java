package org.evensheen.core.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.List;
import java.util.stream.Collectors;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RowLotsTest {
    @ParameterizedTest
    @CsvSource({
        "2400, 1200, 5, 2, 7",
        "1200, 900, 2, 3, 8",
        "3000, 1500, 8, 3, 9",
        "900, 900, 3, 1, 10",
        "4000, 2000, 12, 3, 11"
    })
    void everyRowHoldsEveryProductOnceWithBareAndNothingOverlapsOrLeavesTheBed(
            double width, double height, int products, int perProduct, long seed) {
        List<Section> sections = RowLots.draw(width, height, products, perProduct, seed);
        for (int product = 0; product < products; product++) {
            int number = product;
            assertThat(sections.stream().filter(s -> s.contender() == number).map(Section::row))
                    .as("rows of product %s", product)
                    .hasSize(perProduct)
                    .doesNotHaveDuplicates();
        }
        assertThat(sections.stream().filter(s -> s.contender() == products)).hasSizeGreaterThanOrEqualTo(2);
        assertThat(sections.stream().map(Section::code)).doesNotHaveDuplicates();
        for (Section one : sections) {
            assertThat(one.xMm() + one.widthMm()).isLessThanOrEqualTo(width - RowLots.GAP + 1e-9);
            assertThat(one.yMm() + one.heightMm()).isLessThanOrEqualTo(height - RowLots.GAP + 1e-9);
            for (Section other : sections) {
                boolean apart = one == other
                        || one.xMm() + one.widthMm() + RowLots.GAP <= other.xMm() + 1e-9
                        || other.xMm() + other.widthMm() + RowLots.GAP <= one.xMm() + 1e-9
                        || one.yMm() + one.heightMm() + RowLots.GAP <= other.yMm() + 1e-9
                        || other.yMm() + other.heightMm() + RowLots.GAP <= one.yMm() + 1e-9;
                assertThat(apart).as("%s and %s", one, other).isTrue();
            }
        }
    }

    @Test
    void aSeedGivesTheSameLotsAndAnotherSeedOthers() {
        assertThat(RowLots.draw(2400, 1200, 5, 2, 42)).isEqualTo(RowLots.draw(2400, 1200, 5, 2, 42));
        assertThat(RowLots.draw(2400, 1200, 5, 2, 43)).isNotEqualTo(RowLots.draw(2400, 1200, 5, 2, 42));
        String lots = RowLots.draw(2400, 1200, 5, 2, 42).stream()
                .map(s -> s.code() + s.contender())
                .collect(Collectors.joining(" "));
        assertThat(lots)
                .as("lots stay the same on every machine and in every version")
                .isEqualTo("A0 B3 G5 H4 D1 F2 L2 M3 K1 J4 E5 C0");
    }

    @Test
    void aBedTooSmallSaysHowManyFit() {
        assertThatExceptionOfType(RowLots.BedTooSmall.class)
                .isThrownBy(() -> RowLots.draw(600, 400, 8, 3, 1))
                .matches(e -> e.fitting() == 4 * 3)
                .withMessageContaining("12 do");
    }
}
