package org.evensheen.core.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.stream.IntStream;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;

class PlacesTest {
    @Test
    void everyProductStandsOnceInEveryRoundAndTheLotsFollowTheSeed() {
        List<Section> places = Places.JARS.deal(4, 8, 11);
        assertThat(places)
                .extracting(Section::code)
                .startsWith("A", "B")
                .endsWith("AE", "AF")
                .doesNotHaveDuplicates();
        assertThat(places).extracting(Section::name).startsWith("jar 1").endsWith("jar 32");
        IntStream.rangeClosed(1, 8)
                .forEach(round -> assertThat(places.stream().filter(p -> p.row() == round))
                        .extracting(Section::contender)
                        .containsExactlyInAnyOrder(0, 1, 2, 3));
        assertThat(Places.JARS.deal(4, 8, 11)).isEqualTo(places);
        assertThat(Places.JARS.deal(4, 8, 12)).isNotEqualTo(places);
        assertThat(places).allSatisfy(p -> {
            assertThat(p.areaSquareMetres()).isNaN();
            assertThat(p.xMm() + p.widthMm()).isLessThan(Places.width(4));
            assertThat(p.yMm() + p.heightMm()).isLessThan(Places.height(8));
        });
    }

    @Test
    void partsHaveNamesOfTheirOwnAndThereAreNoMoreThanThereAre() {
        assertThat(Places.HALVES.deal(2, 2, 3))
                .extracting(Section::name)
                .containsExactly("left half", "right half", "left half", "right half");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Places.HALVES.deal(3, 1, 3))
                .withMessage("there are only 2 halves");
        assertThatIllegalArgumentException().isThrownBy(() -> Places.JARS.deal(1, 1, 3));
        assertThatIllegalArgumentException().isThrownBy(() -> Places.JARS.deal(9, 5, 3));
        assertThat(Places.JARS.deal(8, 5, 3)).hasSize(Places.MOST);
    }

    @Test
    void areasOfAVehicleRunFromTheTopDownAndTheLowOnesFoulFirst() {
        assertThat(Places.areas())
                .extracting(Places.Area::name)
                .containsExactly("roof", "bonnet", "upper flank", "below the waist", "rear", "wheels");
        assertThat(Places.areas().stream()
                        .filter(a -> a.kind().equals(java.util.Optional.of(Zone.Kind.LOW)))
                        .map(Places.Area::name))
                .containsExactly("below the waist", "rear", "wheels");
        assertThat(Places.part("roof", 0, 1)).isEqualTo("roof");
        assertThat(Places.part("roof", 1, 2)).isEqualTo("roof, right");
        assertThat(Places.part("roof", 1, 3)).isEqualTo("roof, middle");
        assertThat(Places.part("roof", 3, 5)).isEqualTo("roof, part 4");
    }
}
