package org.evensheen.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Calendar.Kind;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Protocol.Chemical;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.planning.Protocol.Prep;
import org.evensheen.core.planning.Protocol.Scheme;
import org.evensheen.core.planning.Protocol.Washes;
import org.evensheen.core.planning.Protocol.Wear;
import org.evensheen.core.planning.Protocol.Weeks;
import org.evensheen.core.schedule.Plan.Planned;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Role;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Stage;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CalendarTest {
    private static final List<Entrant> ENTRANTS = List.of(
            entrant(0, "Osier Spray Seal", "4 sprays per section; 2 coats; next layer 1 h; dry 12 h"),
            entrant(1, "Brock Paste", "3–5 mL per panel; 1–2 coats; next layer 12 h; dry 2 h"),
            new Entrant(contender(2, "Bare", Role.BARE), List.of()));

    static Entrant entrant(int number, String name, String label) {
        return new Entrant(
                contender(number, name, Role.PRODUCT),
                List.of(new Entrant.Layer(name, LabelLine.read(label).label(), new TreeSet<>(), List.of())));
    }

    private static Contender contender(int number, String name, Role role) {
        return new Contender(number, name, role, WaterKind.REPELS, Source.BOUGHT);
    }

    static Protocol protocol(Wear wear, double cure) {
        return new Protocol(
                EnumSet.of(Prep.STRIP, Prep.WASH),
                true,
                cure,
                List.of(new Planned(Measures.PULL, 3)),
                wear,
                true,
                true,
                true,
                false);
    }

    private static List<Integer> days(Calendar calendar, Kind kind) {
        return calendar.works().stream()
                .filter(w -> w.kind() == kind)
                .map(Work::day)
                .toList();
    }

    @Test
    void coatsAndCureFollowTheLabelsAndSayWhy() {
        Calendar calendar = Calendar.of(protocol(new Weeks(7, 9, 0), 12), ENTRANTS, 2, Map.of());
        assertThat(days(calendar, Kind.COAT))
                .as("twelve hours are for another day, one hour is not")
                .containsExactly(1);
        assertThat(calendar.works())
                .filteredOn(w -> w.kind() == Kind.COAT)
                .singleElement()
                .satisfies(w -> assertThat(w.why()).isEqualTo("Brock Paste asks 12 h before the next layer."));
        assertThat(calendar.work("cure").orElseThrow().day()).isEqualTo(2);
        assertThat(calendar.work("cure").orElseThrow().why()).contains("Osier Spray Seal must keep dry for 12 h");
        assertThat(calendar.work("fresh").orElseThrow().day()).isEqualTo(2);
        assertThat(days(calendar, Kind.VISIT)).containsExactly(9, 16, 23, 30, 37, 44, 51, 58, 65);
        assertThat(days(calendar, Kind.CHECK)).as("a check holds for 56 days").containsExactly(0, 51);
        assertThat(calendar.breaks()).isEmpty();
        assertThat(calendar.plan(protocol(new Weeks(7, 9, 0), 12))
                        .visitOn(9)
                        .orElseThrow()
                        .stage())
                .isEqualTo(Stage.REWETTED);
    }

    @Test
    void whatAMoveBreaksIsSaidWithItsNumbers() {
        Protocol protocol = protocol(new Weeks(7, 3, 0), 24);
        Calendar moved = Calendar.of(protocol, ENTRANTS, 2, Map.of("fresh", 1, "apply", 3, "visit2", 2));
        assertThat(moved.breaks())
                .contains("First readings on day 1 come before the final coat on day 4.")
                .contains("Visit 2 on day 2 is not after visit 1 on day 8.");
        assertThat(Calendar.of(protocol, ENTRANTS, 2, Map.of("fresh", 1)).breaks())
                .containsExactly("First readings on day 1 come 0 h after the final coat; the cure takes 24 h.");
        assertThat(Calendar.of(protocol, ENTRANTS, 2, Map.of("apply", -1))
                        .breaks()
                        .get(0))
                .isEqualTo("Applied on day -1, before it is proven bare on day 0.");
        assertThat(moved.work("visit2").orElseThrow().moved()).isTrue();
        assertThat(Calendar.of(protocol, ENTRANTS, 2, Map.of("visit2", 9)).breaks())
                .containsExactly("Visit 2 on day 9 is not after visit 1 on day 9.");
    }

    @Test
    void washesAreTheWearAndADoseIsFollowedByItsReading() {
        Calendar washed = Calendar.of(protocol(new Washes(3, 2, 2), 0), ENTRANTS, 2, Map.of());
        assertThat(days(washed, Kind.WASH)).containsExactly(4, 6, 8, 10, 12, 14);
        assertThat(days(washed, Kind.VISIT)).containsExactly(8, 14);
        Calendar dosed = Calendar.of(protocol(chemicals(Scheme.ROTATED, 3), 0), ENTRANTS, 3, Map.of());
        assertThat(dosed.works().stream().filter(w -> w.kind() == Kind.DOSE).map(Work::title))
                .containsExactly(
                        "Dose: first section C0, second section C1, third section C2",
                        "Dose: first section C1, second section C2, third section C0",
                        "Dose: first section C2, second section C0, third section C1");
        assertThat(days(dosed, Kind.VISIT)).isEqualTo(days(dosed, Kind.DOSE));
    }

    static Chemicals chemicals(Scheme scheme, int count) {
        return new Chemicals(
                java.util.stream.IntStream.range(0, count)
                        .mapToObj(i -> new Chemical("C" + i, new TreeSet<Hazard>()))
                        .toList(),
                scheme,
                1,
                true);
    }

    @ParameterizedTest
    @CsvSource({"STACKED,4,2,0", "SPLIT,4,2,0.5", "SPLIT,2,4,2", "ROTATED,2,4,2"})
    void aSchemeSaysOnHowManySectionsAChemicalStandsAlone(Scheme scheme, int chemicals, int each, double alone) {
        ChemicalProof proof = ChemicalProof.of(chemicals(scheme, chemicals), each);
        assertThat(proof.sectionsPerChemical()).isEqualTo(alone);
        assertThat(proof.can()).isNotEmpty();
        assertThat(proof.cannot())
                .contains(
                        scheme == Scheme.STACKED
                                ? "up to 4 together"
                                : alone < 1
                                        ? "2 of 4 chemicals get no section"
                                        : scheme == Scheme.SPLIT ? "one after another" : "order");
    }

    @Test
    void effortAddsUpHoursReadingsAndMillilitres() {
        Protocol protocol = protocol(new Weeks(7, 3, 0), 12);
        Effort effort = Effort.of(protocol, ENTRANTS, List.of(2, 2, 2), 5);
        // Brock: 4 mL on each of 2 sections, 2 coats. Osier's sprays are not calibrated.
        assertThat(effort.millilitres()).isCloseTo(16, within(1e-9));
        assertThat(effort.untold()).containsExactly("Osier Spray Seal");
        assertThat(effort.readings()).isEqualTo(6 * 3 * 5);
        // 20 min and 6 sections at 85 s.
        assertThat(effort.perVisit()).isCloseTo((20 + 6 * 85 / 60.0) / 60, within(1e-9));
    }
}
