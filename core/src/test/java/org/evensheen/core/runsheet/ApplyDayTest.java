package org.evensheen.core.runsheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.schedule.HandPlan;
import org.evensheen.core.schedule.PairOfHands;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.schedule.WaitAim;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.UnitSystem;
import org.evensheen.core.water.WaterKind;
import org.evensheen.core.weather.Air;
import org.evensheen.core.weather.PanelAir;
import org.evensheen.core.weather.Site;
import org.junit.jupiter.api.Test;

/** Applying: stacks, further coats, products without a wait, paces, the weather's end of a window; and doses of chemicals. */
class ApplyDayTest {
    private static final Instant TEN = Instant.parse("2026-05-04T10:00:00Z");

    private final List<Contender> contenders = new ArrayList<>();
    private final List<Entrant> entrants = new ArrayList<>();
    private final List<Section> sections = new ArrayList<>();
    private final List<Work> works = new ArrayList<>();
    private final List<Mark> marks = new ArrayList<>();
    private final List<Entrant.Layer> chemicals = new ArrayList<>();
    private PanelAir air = new PanelAir(new Air(18, 50), 18);
    private Site site = Site.UNKNOWN;
    private Instant now = TEN;
    private int day;

    private static Entrant.Layer layer(String name, String label, Hazard... hazards) {
        return new Entrant.Layer(name, LabelLine.read(label).label(), new TreeSet<>(List.of(hazards)), List.of());
    }

    /** A contender of these layers, from the paint outwards, on two sections. */
    private void contender(Entrant.Layer... layers) {
        int number = contenders.size();
        List<String> names = new ArrayList<>(
                List.of(layers).stream().map(Entrant.Layer::product).toList());
        java.util.Collections.reverse(names);
        Contender c = new Contender(
                number,
                String.join(Contender.OVER, names),
                Contender.Role.PRODUCT,
                WaterKind.REPELS,
                Contender.Source.BOUGHT);
        contenders.add(c);
        entrants.add(new Entrant(c, List.of(layers)));
        for (int row = 1; row <= 2; row++) {
            String code = String.valueOf((char) ('A' + sections.size()));
            sections.add(new Section(code, number, row, 100 + 500 * number, 500 * row, 400, 400, false));
        }
    }

    private RunSheet sheet() {
        return RunSheet.of(
                new RunDay(
                        new StudyRecord(
                                3,
                                contenders,
                                sections,
                                new Plan(List.of(new Plan.Planned(Measures.PULL, 1)), List.of()),
                                List.of(),
                                List.of()),
                        day,
                        works,
                        entrants,
                        chemicals,
                        marks,
                        Optional.empty(),
                        Optional.of(new RunDay.Noted(air, site, TEN)),
                        Optional.empty(),
                        now,
                        UnitSystem.METRIC),
                PairOfHands::plan);
    }

    private void work(int on, Calendar.Kind kind, String title) {
        works.add(new Work("", on, kind, title, "", false));
    }

    private void mark(String step, long seconds) {
        marks.add(new Mark(step, false, TEN.plusSeconds(seconds), "Ana", ""));
        now = TEN.plusSeconds(seconds);
    }

    @Test
    void aStackGoesOnLayerByLayerEachByItsOwnLabel() {
        contender(
                layer("Seal", "3 sprays per section; wait 1–2 min; buff; 1 coat; next layer 1 h"),
                layer("Paste", "3 mL per section; wait 5–10 min; buff; 1 coat"));
        work(0, Calendar.Kind.APPLY, "Apply by lot");

        List<Step> spreads = sheet().steps().stream()
                .filter(s -> s.kind() == Step.Kind.SPREAD)
                .toList();

        assertThat(spreads)
                .extracting(s -> s.act().orElseThrow().layer().product())
                .containsExactly("Seal", "Seal", "Paste", "Paste");
        assertThat(spreads)
                .extracting(s -> s.act().orElseThrow().finalCoat())
                .containsExactly(false, false, true, true);
        assertThat(spreads.get(2).from().orElseThrow()).isAfterOrEqualTo(TEN.plusSeconds(3600));
    }

    @Test
    void aCoatForAnotherDayIsThatDaysWorkAlone() {
        contender(layer("Paste", "3 mL per section; wait 5–10 min; buff; 2 coats; next layer 12 h"));
        contender(layer("Mist", "2 sprays per section; wait 10–30 s; buff"));
        work(0, Calendar.Kind.APPLY, "Apply by lot");
        work(1, Calendar.Kind.COAT, "Coat 2 of Paste");

        assertThat(sheet().steps())
                .extracting(Step::key)
                .contains("coat1/A/spread", "coat1/C/spread")
                .doesNotContain("coat2/A/spread");
        day = 1;
        assertThat(sheet().steps().stream().filter(s -> s.kind() == Step.Kind.SPREAD))
                .extracting(Step::key)
                .containsExactlyInAnyOrder("coat2/A/spread", "coat2/B/spread");
        assertThat(sheet().steps().stream().filter(s -> s.kind() == Step.Kind.SPREAD))
                .allMatch(s -> s.act().orElseThrow().finalCoat());
    }

    @Test
    void whatIsNotBuffedIsDoneWhenItIsSpread() {
        contender(layer("Foam", "2 mL per section; no buff"));
        contender(layer("Mist", "2 sprays per section; buff"));
        work(0, Calendar.Kind.APPLY, "Apply by lot");

        assertThat(sheet().steps())
                .extracting(Step::key)
                .doesNotContain("coat1/A/finish")
                .contains("coat1/C/finish");
        HandPlan plan = sheet().batches().get(0).plan();
        assertThat(plan.act("coat1/C", HandPlan.Kind.FINISH).orElseThrow().start()
                        - plan.act("coat1/C", HandPlan.Kind.SPREAD)
                                .orElseThrow()
                                .end())
                .as("buffed while it is wet, as its label names no wait")
                .isBetween(0.0, 60.0);
    }

    @Test
    void onceEverythingIsOnAClockRunsUntilTheSlowestHasCured() {
        contender(layer("Foam", "2 mL per section; no buff; keep dry 12 h"));
        contender(layer("Mist", "2 sprays per section; no buff; keep dry 1 h"));
        work(0, Calendar.Kind.APPLY, "Apply by lot");
        for (String code : List.of("A", "B", "C")) {
            mark("coat1/" + code + "/spread", 60 * (1 + marks.size()));
        }
        assertThat(sheet().clocks()).as("one section is still to do").isEmpty();

        mark("coat1/D/spread", 600);
        assertThat(sheet().clocks()).hasSize(1).allSatisfy(clock -> {
            assertThat(clock.step()).as("nothing has to be tapped").isEmpty();
            assertThat(clock.opens()).isEqualTo(TEN.plusSeconds(120).plus(Duration.ofHours(12)));
        });
        now = TEN.plus(Duration.ofHours(13));
        assertThat(sheet().clocks()).isEmpty();
    }

    @Test
    void inTheSunNothingGoesOnWhoseLabelForbidsIt() {
        contender(layer("Paste", "3 mL per section; wait 5–10 min; buff; no sun"));
        contender(layer("Mist", "2 sprays per section; buff"));
        work(0, Calendar.Kind.APPLY, "Apply by lot");
        assertThat(sheet().steps()).extracting(Step::key).doesNotContain("gate/weather");

        site = new Site(Optional.of(6.0), true, Optional.of(250.0), Optional.empty());
        assertThat(sheet().steps())
                .filteredOn(s -> s.key().equals("gate/weather"))
                .singleElement()
                .satisfies(gate -> assertThat(gate.detail()).contains("in the sun", "label of Paste says no sun"));
        assertThat(site.words(List.of(), UnitSystem.METRIC))
                .extracting(PanelAir.Word::standing)
                .as("sun, wind and hard water are only said where no label forbids them")
                .containsOnly(PanelAir.Standing.CLOSE)
                .hasSize(3);
    }

    @Test
    void slowHandsGetLongerTimesFromTheirThirdSpreadOn() {
        for (int i = 0; i < 3; i++) {
            contender(layer("P" + i, "2 mL per section; wait 20–40 min; buff"));
        }
        work(0, Calendar.Kind.APPLY, "Apply by lot");
        double usual = sheet().batches().get(0).plan().acts().get(0).end();
        long at = 0;
        for (String code : List.of("A", "C", "E", "B")) {
            at += Math.round(2 * usual);
            mark("coat1/" + code + "/spread", at);
        }

        HandPlan.Act next = sheet().batches().get(0).plan().acts().get(0);
        assertThat(next.end() - next.start()).as("twice as long").isBetween(1.9 * usual, 2.1 * usual);
    }

    @Test
    void goesForTheShortEndWhenItIsHotAndForTheLongEndWhenItIsCool() {
        assertThat(WaitAim.in(Optional.of(new Air(33, 80)), Optional.empty())).isEqualTo(WaitAim.SHORT);
        assertThat(WaitAim.in(Optional.of(new Air(33, 40)), Optional.of(25.0)))
                .as("hot and dry")
                .isEqualTo(WaitAim.WHOLE);
        assertThat(WaitAim.in(Optional.empty(), Optional.of(31.0))).isEqualTo(WaitAim.SHORT);
        assertThat(WaitAim.in(Optional.of(new Air(12, 50)), Optional.of(11.0))).isEqualTo(WaitAim.LONG);
        assertThat(WaitAim.SHORT.of(new Span(60, 180))).isEqualTo(new Span(60, 120));

        contender(layer("Seal", "3 sprays per section; wait 1–3 min; buff"));
        work(0, Calendar.Kind.APPLY, "Apply by lot");
        air = new PanelAir(new Air(12, 40), 11);
        HandPlan plan = sheet().batches().get(0).plan();
        double wait = plan.act("coat1/A", HandPlan.Kind.FINISH).orElseThrow().start()
                - plan.act("coat1/A", HandPlan.Kind.SPREAD).orElseThrow().end();
        assertThat(wait).isBetween(120.0, 180.0);
    }

    @Test
    void aDoseSaysWhatToWearAndRunsAClockUntilItIsRinsed() {
        contender(layer("Seal", "3 sprays per section; wait 1–3 min; buff"));
        work(4, Calendar.Kind.DOSE, "Dose: Tar Off on every section");
        chemicals.add(layer("Tar Off", "10 mL per section; wait 1–2 min; rinse off; caution solvent", Hazard.SOLVENT));
        day = 4;

        Step dose = sheet().steps().stream()
                .filter(s -> s.key().equals("dose/on"))
                .findFirst()
                .orElseThrow();
        assertThat(dose.title()).isEqualTo("Tar Off on every section");
        assertThat(dose.detail()).startsWith("Wear: ").contains("never mix");
        assertThat(sheet().clocks()).isEmpty();

        mark("dose/on", 100);
        assertThat(sheet().clocks()).singleElement().satisfies(c -> {
            assertThat(Duration.between(TEN, c.opens()).toSeconds()).isEqualTo(160);
            assertThat(Duration.between(TEN, c.closes().orElseThrow()).toSeconds())
                    .isEqualTo(220);
        });
        mark("dose/rinse", 200);
        assertThat(sheet().clocks()).isEmpty();
        assertThat(RunSheet.notch(dose)).contains(org.evensheen.core.study.Happening.Kind.DOSED);
    }
}
