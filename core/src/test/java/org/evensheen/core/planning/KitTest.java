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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    /** What chemicals can show follows from how they are given and how many sections there are, with its numbers. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "STACKED|3|2|on all 2 sections of each|up to 3 together|0",
                "STACKED|1|2|whole row of 1|there is one chemical only|2",
                "SPLIT|3|2|on 0 or 1 sections of each|1 of 3 chemicals get no section|0.667",
                "SPLIT|3|3|on 1 section of each|one section each. 6 sections each would do|1",
                "SPLIT|3|5|on 1 or 2 sections of each|one section each|1.667",
                "SPLIT|3|6|on 2 sections of each|one after another|2",
                "ROTATED|3|6|on 2 sections of each|Nothing of the order|2",
                "ROTATED|3|4|on 1 or 2 sections of each|no whole number of turns of 3|1.333"
            })
    void whatChemicalsCanShowIsSaidWithItsNumbers(
            Protocol.Scheme scheme, int chemicals, int each, String can, String cannot, double alone) {
        List<Protocol.Chemical> row = new ArrayList<>();
        for (int i = 0; i < chemicals; i++) {
            row.add(new Protocol.Chemical("c" + i, new TreeSet<>()));
        }
        ChemicalProof proof = ChemicalProof.of(new Protocol.Chemicals(row, scheme, 7, true), each);
        assertThat(proof.can()).contains(can);
        assertThat(proof.cannot()).contains(cannot);
        assertThat(proof.sectionsPerChemical()).isCloseTo(alone, within(5e-4));
        assertThat(new Protocol.Chemical("x", new TreeSet<>(List.of(Hazard.NOT_FOR_PAINT))).boardOnly())
                .isTrue();
        assertThat(row.get(0).boardOnly()).isFalse();
    }

    /**
     * Six sections, three pulls of 25 s and one grade of 20 s each: a round is 20 + 6 · (75 + 10)/60 + 6 · (20 + 10)/60 = 31.5 min. Stripping 45 + 6 · 3 = 63, applying 3 min a section and coat:
     * seal 2 coats on 3, seal 2 and paste 2 on 3, in all 18 coats, 54 min.
     */
    @Test
    void effortIsAddedUpFromRoundsCoatsAndStripping() {
        Protocol protocol = protocol(java.util.Set.of(Protocol.Prep.values()[0]));
        Effort effort = Effort.of(protocol, ENTRANTS, List.of(3, 3), 4);
        assertThat(effort.perVisit()).isCloseTo(31.5 / 60, within(1e-9));
        assertThat(effort.hours()).isCloseTo((63 + 54 + 4 * 31.5) / 60, within(1e-9));
        assertThat(effort.readings()).isEqualTo(6 * 4 * 4);
        assertThat(effort.untold()).isEmpty();
        assertThat(Effort.of(protocol(java.util.Set.of()), ENTRANTS, List.of(3, 3), 4)
                        .hours())
                .as("nothing is stripped")
                .isCloseTo((54 + 4 * 31.5) / 60, within(1e-9));
        Entrant unnamed = ENTRANTS.get(1).unnamed();
        assertThat(unnamed.layers()).extracting(Entrant.Layer::product).containsOnly("one product");
        assertThat(unnamed.layers())
                .extracting(Entrant.Layer::hazards)
                .containsExactly(
                        ENTRANTS.get(1).layers().get(0).hazards(),
                        ENTRANTS.get(1).layers().get(1).hazards());
    }

    private static Protocol protocol(java.util.Set<Protocol.Prep> prep) {
        return new Protocol(
                prep,
                true,
                12,
                List.of(
                        new org.evensheen.core.schedule.Plan.Planned(org.evensheen.core.measure.Measures.PULL, 3),
                        new org.evensheen.core.schedule.Plan.Planned(
                                org.evensheen.core.measure.Measures.WATER_GRADE, 1)),
                new Protocol.Washes(1, 7, 3),
                true,
                true,
                true,
                false);
    }
}
