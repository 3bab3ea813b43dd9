package org.evensheen.core.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.evensheen.core.layout.Layout.Ask;
import org.evensheen.core.layout.Layout.Move;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LayoutTest {
    private static final BedShape FLANK = new BedShape(
            Outline.parse("0,0 2400,0 2400,1470 2330,1480 2260,1510 2210,1560 2180,1640 0,1640"),
            List.of(
                    new BedShape.Trim("handle", Outline.rectangle(1500, 700, 220, 60)),
                    new BedShape.Trim("rail", Outline.parse("0,300 900,320 900,350 0,330"))),
            List.of(new Zone(Zone.Kind.LOW, "below the waist line", 0, 840, 2400, 800)));

    private static List<Integer> counts(int products, int each, int bare) {
        List<Integer> counts = new ArrayList<>(Collections.nCopies(products, each));
        counts.add(bare);
        return counts;
    }

    @Property(tries = 40)
    void sectionsStayOnTheBedOffItsTrimsAndOffEachOther(
            @ForAll @IntRange(min = 1, max = 9) int products,
            @ForAll @IntRange(min = 1, max = 3) int each,
            @ForAll @DoubleRange(min = 0, max = 60) double gap,
            @ForAll long seed,
            @ForAll @DoubleRange(min = 0, max = 1200) double trimX,
            @ForAll @DoubleRange(min = 0, max = 800) double trimY) {
        BedShape bed = new BedShape(
                FLANK.outline(),
                List.of(FLANK.trims().get(1), new BedShape.Trim("badge", Outline.circle(trimX + 200, trimY + 200, 90))),
                FLANK.zones());
        Layout layout = Layout.draw(new Ask(bed, counts(products, each, 2), 0, 0, gap, seed, List.of()));
        assertThat(layout.sections()).hasSize(products * each + 2);
        var outline = bed.outline().polygon();
        for (Section one : layout.sections()) {
            var rectangle = rectangle(one, -1e-4);
            assertThat(outline.contains(rectangle)).as("on the bed: %s", one).isTrue();
            for (BedShape.Trim trim : bed.trims()) {
                assertThat(trim.outline().polygon().distance(rectangle))
                        .as("%s keeps off %s", one, trim.label())
                        .isGreaterThanOrEqualTo(gap - 1e-3);
            }
            for (Section other : layout.sections()) {
                if (one != other) {
                    assertThat(rectangle.distance(rectangle(other, 0)))
                            .as("%s, %s", one, other)
                            .isGreaterThanOrEqualTo(gap - 1e-3);
                }
            }
        }
    }

    private static org.locationtech.jts.geom.Geometry rectangle(Section s, double grown) {
        return Outline.rectangle(s.xMm() - grown, s.yMm() - grown, s.widthMm() + 2 * grown, s.heightMm() + 2 * grown)
                .polygon();
    }

    @Property(tries = 40)
    void everyCompleteBlockHoldsEveryProductOnceAndBareIsSharedOut(
            @ForAll @IntRange(min = 2, max = 8) int products,
            @ForAll @IntRange(min = 2, max = 4) int each,
            @ForAll long seed) {
        Layout layout = Layout.draw(Ask.filling(FLANK, counts(products, each, each), seed));
        assertThat(Balance.of(layout, FLANK.zones(), products).complete()).isTrue();
        for (int contender = 0; contender <= products; contender++) {
            int number = contender;
            assertThat(layout.sections().stream()
                            .filter(s -> s.contender() == number)
                            .map(Section::row))
                    .hasSize(each)
                    .doesNotHaveDuplicates();
        }
    }

    @Test
    void aSeedGivesTheSameLotsEverywhereAndAnotherSeedOthers() {
        Ask ask = Ask.filling(BedShape.rectangle(2400, 1200), counts(5, 2, 2), 42);
        assertThat(lots(Layout.draw(ask))).isEqualTo(lots(Layout.draw(ask)));
        assertThat(lots(Layout.draw(ask)))
                .as("lots stay the same on every machine and in every version")
                .isEqualTo(RECORDED);
        assertThat(lots(Layout.draw(Ask.filling(BedShape.rectangle(2400, 1200), counts(5, 2, 2), 43))))
                .isNotEqualTo(RECORDED);
    }

    private static final String RECORDED = "A5 B4 G3 H0 M1 L2 F1 D2 K0 J4 E3 C5";

    private static String lots(Layout layout) {
        return layout.sections().stream().map(s -> s.code() + s.contender()).collect(Collectors.joining(" "));
    }

    @Test
    void noProductStandsBesideItselfAndZonesAreSharedOut() {
        Layout layout = Layout.draw(Ask.filling(FLANK, counts(5, 3, 3), 7));
        Balance balance = Balance.of(layout, FLANK.zones(), 5);
        assertThat(balance.equalNeighbours()).isZero();
        assertThat(balance.zones()).hasSize(1).noneMatch(Balance.Shares::uneven);
    }

    @ParameterizedTest
    @CsvSource({"1500,1000,300,280,40,4", "1500,1000,300,280,0,5", "400,400,100,100,40,2", "1340,500,300,200,40,3"})
    void equalSectionsFillARectangleLineByLine(
            double bedWidth, double bedHeight, double width, double height, double gap, int across) {
        List<Place> places = Fit.of(BedShape.rectangle(bedWidth, bedHeight), width, height, gap);
        int down = (int) ((bedHeight - gap) / (height + gap));
        assertThat(places).hasSize(across * down);
    }

    @Test
    void aWheelHoldsWhatFitsInItsCircle() {
        BedShape wheel = new BedShape(Outline.circle(300, 300, 300), List.of(), List.of());
        assertThat(Fit.of(wheel, 400, 400, 0))
                .as("a square of 400 mm has a diagonal of 566 mm")
                .hasSize(1);
        assertThat(Fit.of(wheel, 440, 440, 0)).as("one of 440 mm has 622 mm").isEmpty();
    }

    @Test
    void aBedTooSmallSaysHowManyFitAndWhatSizeWouldDo() {
        assertThatExceptionOfType(Layout.TooSmall.class)
                .isThrownBy(() -> Layout.draw(Ask.filling(BedShape.rectangle(600, 400), counts(8, 3, 3), 1)))
                .matches(e -> e.fitting() == 4 * 3)
                .withMessageContaining("12 do")
                .withMessageMatching("(?s).*bed of this shape would have to be about \\d+ × \\d+ mm.*");
        assertThatExceptionOfType(Layout.TooSmall.class)
                .isThrownBy(() -> Layout.draw(
                        new Ask(BedShape.rectangle(1500, 1000), counts(5, 2, 2), 600, 400, 40, 1, List.of())))
                .withMessageContaining("4 do")
                .withMessageMatching("(?s).*Sections of \\d+ × \\d+ mm would do.*");
        assertThatExceptionOfType(Layout.TooSmall.class)
                .isThrownBy(() -> Layout.draw(Ask.filling(BedShape.rectangle(9000, 9000), counts(49, 2, 2), 1)))
                .withMessageContaining("100 sections are more than one pair of hands");
    }

    @Test
    void aMoveByHandIsMarkedOnBothAndLeavesBlocksWhereTheyAre() {
        Ask ask = Ask.filling(FLANK, counts(4, 2, 2), 11);
        Layout drawn = Layout.draw(ask);
        Section one = drawn.sections().get(0);
        Section other = drawn.sections().get(5);
        Layout moved = Layout.draw(
                new Ask(FLANK, ask.counts(), 0, 0, Layout.GAP, 11, List.of(new Move(one.code(), other.code()))));
        Section there = moved.sections().stream()
                .filter(s -> s.code().equals(one.code()))
                .findFirst()
                .orElseThrow();
        assertThat(there.xMm()).isEqualTo(other.xMm());
        assertThat(there.row()).isEqualTo(other.row());
        assertThat(moved.sections().stream().filter(Section::byHand)).hasSize(2);
        assertThat(Move.parse("K:B  C:2 nonsense :")).containsExactly(new Move("K", "B"), new Move("C", "2"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0,0 900,0 0,900 900,900|crosses or touches itself near 450,450",
                "0,0 900,0|needs three corners",
                "0,0 900,x 0,900|“900,x” is no corner",
                "0,0 -5,0 0,900|outside 0 to 20 000",
                "0,0 900,0 NaN,900|outside 0 to 20 000"
            })
    void anOutlineThatCannotBeSaysWhere(String text, String message) {
        assertThatExceptionOfType(Outline.Impossible.class)
                .isThrownBy(() -> Outline.parse(text))
                .withMessageContaining(message);
    }

    @Test
    void anOutlineReadsBackAsItPrints() {
        Outline circle = Outline.circle(330, 330, 320);
        assertThat(Outline.parse(circle.print()).print()).isEqualTo(circle.print());
        assertThat(circle.area()).isBetween(0.99 * Math.PI * 320 * 320, Math.PI * 320 * 320);
    }
}
