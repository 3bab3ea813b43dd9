package org.evensheen.core.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlaceTest {
    private static final List<Zone> ZONES = List.of(
            new Zone(Zone.Kind.LOW, "low", 0, 500, 1000, 500),
            new Zone(Zone.Kind.HEAT, "engine", 0, 0, 300, 300),
            new Zone(Zone.Kind.HEAT, "exhaust", 300, 0, 100, 300));

    @Test
    void aPlaceKnowsWhatShareOfItLiesInZonesAndWhichItIsIn() {
        assertThat(new Place(1, 200, 0, 200, 300).in(ZONES, Zone.Kind.HEAT))
                .as("in two of a kind")
                .isCloseTo(1, within(1e-9));
        assertThat(new Place(1, 200, 0, 400, 300).in(ZONES, Zone.Kind.HEAT)).isCloseTo(0.5, within(1e-9));
        assertThat(new Place(1, 600, 0, 200, 300).zone(ZONES)).isEmpty();
        assertThat(new Place(1, 0, 400, 200, 300).zone(ZONES)).isEqualTo(Optional.of(Zone.Kind.LOW));
        assertThat(new Place(1, 0, 320, 200, 300).zone(ZONES))
                .as("less than half")
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"340,0,true", "0,240,true", "340,240,false", "400,0,false", "0,0,false", "100,240,true", "-340,0,true"})
    void neighboursStandBesideOrRightAboveEachOtherAGapAway(double dx, double dy, boolean neighbours) {
        Place one = new Place(1, 1000, 1000, 300, 200);
        Place other = new Place(1, 1000 + dx, 1000 + dy, 300, 200);
        assertThat(one.neighbours(other, 40)).isEqualTo(neighbours);
        assertThat(other.neighbours(one, 40)).isEqualTo(neighbours);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1180,620 190×60|11400",
                "1180,620 190 x 60|11400",
                "0,0 1500.5*1000|1500500",
                "330,330 ⌀660|341203",
                "0,0 900,0 0,900|405000"
            })
    void aPlaceOnABedIsReadInTheShortestWayThatTellsIt(String text, double area) {
        Outline read = Outline.parsePlace(text);
        assertThat(read.area()).isCloseTo(area, within(2500.0));
        assertThat(Outline.parsePlace(read.printPlace()).area()).isCloseTo(read.area(), within(area * 1e-3));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"here|is no corner", "0,0 10×|is no corner", "10,10 ⌀60|outside 0 to 20 000"})
    void whatIsNoPlaceIsSaid(String text, String message) {
        assertThatExceptionOfType(Outline.Impossible.class)
                .isThrownBy(() -> Outline.parsePlace(text))
                .withMessageContaining(message);
    }

    @Test
    void aRectangleLiesOnAnOutlineWithItsEdgesIncluded() {
        Outline flank = Outline.parse("0,0 1000,0 1000,500 500,1000 0,1000");
        assertThat(flank.holds(0, 0, 1000, 500)).isTrue();
        assertThat(flank.holds(0, 0, 1000.1, 500)).isFalse();
        assertThat(flank.holds(0, 500, 500, 500)).isTrue();
        assertThat(flank.holds(400, 500, 500, 500)).as("across the slope").isFalse();
    }

    @Test
    void balanceSaysWhoHasMoreOfAZoneAndWhichNeighboursAreEqual() {
        List<Section> sections = List.of(
                new Section("A", 0, 1, 0, 0, 300, 200, false),
                new Section("B", 0, 1, 340, 0, 300, 200, false),
                new Section("C", 1, 2, 0, 600, 300, 200, false),
                new Section("D", 1, 2, 340, 600, 300, 200, false));
        Balance balance = Balance.of(new Layout(sections, List.of(), 40), ZONES, 2);
        assertThat(balance.complete()).isFalse();
        assertThat(balance.equalNeighbours()).isEqualTo(2);
        Balance.Shares low = balance.zones().stream()
                .filter(z -> z.kind() == Zone.Kind.LOW)
                .findFirst()
                .orElseThrow();
        assertThat(low.least()).isZero();
        assertThat(low.most()).isCloseTo(1, within(1e-9));
        assertThat(low.uneven()).isTrue();
    }

    @Test
    void aBedThatHoldsMoreThanIsAskedLeavesZonesFirst() {
        BedShape bed = new BedShape(
                Outline.rectangle(0, 0, 1400, 1000),
                List.of(),
                List.of(new Zone(Zone.Kind.HEAT, "engine", 0, 0, 1400, 300)));
        Layout layout = Layout.draw(new Layout.Ask(bed, List.of(2, 2, 2), 280, 240, 40, 5, List.of()));
        assertThat(layout.spare()).isNotEmpty();
        assertThat(layout.sections()).noneMatch(s -> s.yMm() < 280);
    }
}
