package org.evensheen.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.label.ProductKind.Vessel;
import org.evensheen.core.stock.Remaining;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BottleDrawingTest {

    @Test
    void aBottleIsDrawnAsFullAsItIs() {
        BottleDrawing half = BottleDrawing.of(Vessel.FLASK, new Remaining(250, 500, 250, 0));
        assertThat(half.level()).as("halfway between 44 and 116").isEqualTo("80");
        assertThat(half.depth()).isEqualTo("36");
        assertThat(half.low()).isFalse();
        assertThat(half.ticks()).extracting(BottleDrawing.Tick::ml).containsExactly("0", "125", "250", "375", "500");
        assertThat(half.spoken().replace('\u202f', ' ')).isEqualTo("250 mL of 500 mL left");
        BottleDrawing drops = BottleDrawing.of(Vessel.TIN, new Remaining(20, 200, 20, 0));
        assertThat(drops.low()).isTrue();
        BottleDrawing none = BottleDrawing.of(Vessel.JUG, Remaining.of(List.of(), 0));
        assertThat(none.depth()).isEqualTo("0");
        assertThat(none.spoken()).isEqualTo("No bottle on the Shelf");
    }

    @ParameterizedTest
    @CsvSource({
        "soap, 500, FLASK",
        "soap, 2000, JUG",
        "wheel, 500, TRIGGER",
        "wheel, 5000, JUG",
        "wax, 200, TIN",
        "tyre, 500, CAN"
    })
    void whatIsLargeComesInAJug(String kind, double ml, Vessel vessel) {
        assertThat(ProductKind.ofCode(kind).orElseThrow().vessel(ml)).isEqualTo(vessel);
    }

    @Test
    void aLineIsShownBackWholeWithItsMistakesMarked() {
        String typed = " rinseless 1:0 ;pH 7; wait 3-1 min";
        LineView view = LineView.of(LabelLine.read(typed), List.of());
        assertThat(view.pieces().stream().map(LineView.Piece::text).reduce("", String::concat))
                .isEqualTo(typed);
        assertThat(view.pieces())
                .filteredOn(LineView.Piece::wrong)
                .extracting(LineView.Piece::text)
                .containsExactly("1:0", "3-1");
        assertThat(view.problems()).hasSize(2).first().asString().startsWith("At “1:0”: ");
        assertThat(view.claims()).singleElement().matches(c -> c.title().equals("pH"));
        assertThat(LineView.of(LabelLine.read("pH 7"), List.of()).pieces())
                .as("nothing to mark")
                .isEmpty();
    }
}
