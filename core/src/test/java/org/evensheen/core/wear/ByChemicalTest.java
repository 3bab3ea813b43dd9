package org.evensheen.core.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.evensheen.core.comparing.Compared;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.ChemicalProof;
import org.evensheen.core.planning.Protocol.Chemical;
import org.evensheen.core.planning.Protocol.Chemicals;
import org.evensheen.core.planning.Protocol.Scheme;
import org.evensheen.core.study.Dosing;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Happening.Kind;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.wear.ByChemical.State;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Which chemical did it: by first doses, products as blocks. */
class ByChemicalTest {
    private static final double[] TAKES = {0.10, 0.30, 0.30};
    private static final double BARE = 18;
    private static final double FRESH = 9;

    private static Chemicals three(Scheme scheme) {
        return new Chemicals(
                List.of("iron wash", "strip soap", "tar remover").stream()
                        .map(n -> new Chemical(n, new java.util.TreeSet<>()))
                        .toList(),
                scheme,
                2,
                true);
    }

    /** Four products on three sections each and bare; what a section loses is its chemical's share, something of its product, and noise. */
    private static StudyRecord study(List<Happening> doses, double noise, long seed) {
        List<Section> grid = Studies.grid(5, 3);
        Random random = new Random(seed);
        List<Reading> readings = new ArrayList<>();
        for (Section s : grid) {
            boolean bare = s.contender() == 4;
            double left = 1;
            readings.add(new Reading(s.code(), 1, Stage.FRESH, 1, Measures.PULL.of(bare ? BARE : FRESH)));
            for (Happening dose : doses) {
                String chemical = Dosing.read(dose.note()).on(s.code()).orElse("iron wash");
                int n = List.of("iron wash", "strip soap", "tar remover").indexOf(chemical);
                left -= TAKES[n] + 0.05 * s.contender() + noise * random.nextGaussian();
                double pull = BARE - (BARE - FRESH) * left;
                readings.add(new Reading(
                        s.code(), dose.day(), Stage.REWETTED, 1, Measures.PULL.of(bare ? BARE : Math.max(0.2, pull))));
            }
        }
        List<Happening> happened = new ArrayList<>(List.of(new Happening(0, Kind.APPLIED)));
        happened.addAll(doses);
        return new StudyRecord(7, Studies.contenders(4), grid, Studies.plan(1), happened, readings);
    }

    private static List<Happening> doses(Scheme scheme) {
        Chemicals chemicals = three(scheme);
        return ChemicalProof.rounds(chemicals).stream()
                .map(r -> new Happening(
                        3 + 2 * r,
                        Kind.DOSED,
                        ChemicalProof.given(chemicals, Studies.grid(5, 3), r).print()))
                .toList();
    }

    private static ByChemical by(StudyRecord study) {
        return ByChemical.of(study, Curves.of(study, Measures.PULL, Axis.DOSES, 100));
    }

    @ParameterizedTest
    @ValueSource(strings = {"SPLIT", "ROTATED"})
    void whatEachTookIsTheMeanOverProductsOfFirstDoses(String scheme) {
        ByChemical by = by(study(doses(Scheme.valueOf(scheme)), 1e-4, 3));
        assertThat(by.state()).isEqualTo(State.TOLD);
        assertThat(by.losses()).hasSize(12);
        for (Compared.Line line : by.compared().orElseThrow().lines()) {
            assertThat(line.mean().value())
                    .as(by.chemicals().get(line.contender()))
                    .isCloseTo(TAKES[line.contender()] + 0.075, within(1e-3));
            assertThat(line.sections()).isEqualTo(4);
        }
        assertThat(by.compared().orElseThrow().freedom()).isEqualTo(12 - 3 - 3);
    }

    @Test
    void stackedDosesNameNoChemicalAndUnnamedOnesNone() {
        assertThat(by(study(doses(Scheme.STACKED), 0.01, 3)).state()).isEqualTo(State.STACKED);
        assertThat(by(study(List.of(new Happening(3, Kind.DOSED)), 0.01, 3)).state())
                .isEqualTo(State.UNSAID);
        assertThat(by(study(List.of(), 0.01, 3)).state()).isEqualTo(State.NOTHING);
        assertThat(by(study(List.of(new Happening(3, Kind.DOSED, "iron wash on A1; strip soap on B2")), 0.01, 3))
                        .state())
                .isEqualTo(State.ONE_PLACE_EACH);
    }

    @Test
    void aLookAfterTheSecondDoseSaysNothingOfTheFirst() {
        List<Happening> doses = new ArrayList<>(doses(Scheme.ROTATED));
        StudyRecord study = study(doses, 0.01, 3);
        List<Reading> late =
                study.readings().stream().filter(r -> r.at().day() != 3).toList();
        assertThat(by(new StudyRecord(7, study.contenders(), study.sections(), study.plan(), study.happenings(), late))
                        .state())
                .isEqualTo(State.NOTHING);
    }

    @Test
    void intervalsOfAChemicalsShareCoverTheTruth() {
        int studies = 400;
        int covered = 0;
        int apart = 0;
        for (int i = 0; i < studies; i++) {
            Compared c = by(study(doses(Scheme.SPLIT), 0.06, i)).compared().orElseThrow();
            for (Compared.Line line : c.lines()) {
                covered += line.mean().interval().low() <= TAKES[line.contender()] + 0.075
                                && line.mean().interval().high() >= TAKES[line.contender()] + 0.075
                        ? 1
                        : 0;
            }
            apart += c.pairs().stream()
                            .anyMatch(p -> p.apart() && p.better() + p.worse() == 3 && p.better() * p.worse() == 2)
                    ? 1
                    : 0;
        }
        assertThat(covered / (3.0 * studies)).isBetween(0.93, 0.97);
        assertThat(apart / (double) studies).as("two that take the same").isLessThan(0.05);
    }

    @Test
    void aNoteReadsBackAsItself() {
        Dosing dosing = Dosing.read("iron wash on A D F; tar remover on B, C ");
        assertThat(dosing.print()).isEqualTo("iron wash on A D F; tar remover on B C");
        assertThat(Dosing.read(dosing.print())).isEqualTo(dosing);
        assertThat(dosing.on("D")).contains("iron wash");
        assertThat(dosing.on("E")).isEmpty();
        assertThat(dosing.reached("E")).isFalse();
        assertThat(Dosing.read("").reached("E")).isTrue();
        assertThat(Dosing.read("strip soap").on("E")).contains("strip soap");
        assertThat(Dosing.read("a on A; b on A").on("A")).as("both at once").isEmpty();
        assertThat(Dosing.read("strip soap on every section").given())
                .containsExactly(new Dosing.Given("strip soap", Set.of()));
        org.assertj.core.api.Assertions.assertThatCode(() -> org.junit.jupiter.api.Assertions.assertTimeoutPreemptively(
                        Duration.ofSeconds(2), () -> Dosing.read("x on " + "A".repeat(190) + "!")))
                .doesNotThrowAnyException();
    }
}
