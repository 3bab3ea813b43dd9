package org.evensheen.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;
import org.evensheen.core.water.WaterKind;
import org.evensheen.core.weather.DryWindow;
import org.junit.jupiter.api.Test;

class KitTest {
    private static Entrant.Layer layer(String name, String label, Hazard... hazards) {
        return new Entrant.Layer(
                name,
                LabelLine.read(label).label(),
                new TreeSet<>(List.of(hazards)),
                List.of(new Calibration(Counter.SPRAY, 1.2)));
    }

    private static Entrant entrant(int number, Entrant.Layer... layers) {
        return new Entrant(
                new Contender(number, "C" + number, Role.PRODUCT, WaterKind.REPELS, Source.BOUGHT), List.of(layers));
    }

    private static final Entrant.Layer SEAL =
            layer("Osier Spray Seal", "3–5 sprays per section; 2 coats; panel 8–28 °C; dry 12 h; next layer 1 h");
    private static final Entrant.Layer PASTE = layer(
            "Brock Paste", "3–5 mL per panel; 1–2 coats; panel 10–25 °C; dry 2 h; next layer 12 h", Hazard.SOLVENT);
    private static final List<Entrant> ENTRANTS = List.of(entrant(0, SEAL), entrant(1, SEAL, PASTE));

    private static List<Section> sections() {
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            sections.add(new Section("" + (char) ('A' + i), i % 2, 1 + i / 2, 0, 400 * i, 300, 200, false));
        }
        return sections;
    }

    @Test
    void tapeTowelsAndProductsAreAddedUpFromSectionsCoatsAndLabels() {
        Kit kit = Kit.of(ENTRANTS, sections());
        // six sections of 300 × 200 mm: a metre round each, and a tenth more
        assertThat(kit.tapeMetres()).isCloseTo(6.6, within(1e-9));
        // three sections each: seal 3·2, seal 3·2 and paste 3·2 coats, and two to dry with
        assertThat(kit.towels()).isEqualTo(20);
        assertThat(kit.products()).extracting(Kit.Needed::product).containsExactly("Osier Spray Seal", "Brock Paste");
        Kit.Needed seal = kit.products().get(0);
        // 5 sprays of 1.2 mL on 3 sections and 2 coats, 15 % over, in two contenders
        assertThat(seal.millilitres().orElseThrow()).isCloseTo(2 * 5 * 1.2 * 3 * 2 * 1.15, within(1e-9));
        assertThat(seal.sprays()).contains(2 * 35);
        assertThat(seal.sections()).isEqualTo(6);
        assertThat(kit.products().get(1).millilitres().orElseThrow()).isCloseTo(5 * 3 * 2 * 1.15, within(1e-9));
        assertThat(kit.products().get(1).sprays()).isEmpty();
        assertThat(kit.wear()).contains("solvent-proof gloves", "fresh air");
    }

    @Test
    void aProductWithoutALabelIsLaidOutWithoutAnAmount() {
        Kit kit = Kit.of(List.of(entrant(0, layer("Unknown Wax", "")), entrant(1, SEAL)), sections());
        assertThat(kit.products().get(0).millilitres()).isEmpty();
        assertThat(kit.products().get(0).sprays()).isEmpty();
        assertThat(kit.products().get(0).coats()).isEqualTo(1);
    }

    @Test
    void aStackIsAsSlowAsItsSlowestLayerAndAsNarrowAsItsNarrowestLimits() {
        Entrant stack = ENTRANTS.get(1);
        assertThat(stack.slowest().orElseThrow().product()).isEqualTo("Osier Spray Seal");
        assertThat(stack.hazards()).containsExactly(Hazard.SOLVENT);
        DryWindow.Limits limits = Entrant.limits(ENTRANTS);
        assertThat(limits.low()).isEqualTo(Optional.of(10.0));
        assertThat(limits.high()).isEqualTo(Optional.of(25.0));
        assertThat(PASTE.coats()).as("the most the label allows").isEqualTo(2);
        assertThat(PASTE.nextLayerHours()).isEqualTo(12);
        assertThat(entrant(2, layer("Unknown Wax", "")).slowest()).isEmpty();
    }
}
