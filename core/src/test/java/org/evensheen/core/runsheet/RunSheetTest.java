package org.evensheen.core.runsheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.WaterGrade;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.schedule.HandPlan;
import org.evensheen.core.schedule.PairOfHands;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.units.UnitSystem;
import org.evensheen.core.water.WaterKind;
import org.evensheen.core.weather.Air;
import org.evensheen.core.weather.PanelAir;
import org.evensheen.core.weather.Site;
import org.junit.jupiter.api.Test;

class RunSheetTest {
    private static final Instant NINE = Instant.parse("2026-05-04T09:00:00Z");

    private static final List<Contender> CONTENDERS = List.of(
            contender(0, "Seal", Contender.Role.REFERENCE),
            contender(1, "Paste", Contender.Role.PRODUCT),
            contender(2, "Rinse", Contender.Role.PRODUCT),
            contender(3, "Bare", Contender.Role.BARE));

    private static final List<Entrant> ENTRANTS = List.of(
            entrant(
                    0,
                    "3–5 sprays per section; section 60 × 60 cm; wait 1–3 min; buff; 2 coats; next layer 1 h; dry 12 h; panel 8–28 °C"),
            entrant(1, "3–5 mL per section; wait 5–10 min; buff; 1 coat; panel 10–25 °C"),
            entrant(2, "4–6 sprays per section; wait 10–60 s; rinse off; 1 coat"),
            new Entrant(CONTENDERS.get(3), List.of()));

    private static Contender contender(int number, String name, Contender.Role role) {
        return new Contender(number, name, role, WaterKind.REPELS, Contender.Source.BOUGHT);
    }

    private static Entrant entrant(int number, String label) {
        Contender c = CONTENDERS.get(number);
        return new Entrant(
                c, List.of(new Entrant.Layer(c.name(), LabelLine.read(label).label(), new TreeSet<>(), List.of())));
    }

    private final List<Reading> readings = new ArrayList<>();
    private final List<Mark> marks = new ArrayList<>();
    private final List<Work> works = new ArrayList<>();
    private Instant now = NINE;
    private Optional<Instant> cureFrom = Optional.empty();
    private Optional<Instant> limit = Optional.empty();
    private double panel = 18;
    private int day;

    private RunSheet sheet() {
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            sections.add(new Section(
                    String.valueOf((char) ('A' + i)),
                    i % 4,
                    i / 4 + 1,
                    100 + 400 * (i % 4),
                    100 + 400 * (i / 4),
                    350,
                    350,
                    false));
        }
        StudyRecord study = new StudyRecord(
                1,
                CONTENDERS,
                sections,
                new Plan(
                        List.of(new Plan.Planned(Measures.WATER_GRADE, 1), new Plan.Planned(Measures.PULL, 2)),
                        List.of(
                                new Occasion(0, Stage.BARE),
                                new Occasion(2, Stage.FRESH),
                                new Occasion(9, Stage.REWETTED))),
                List.of(),
                readings);
        return RunSheet.of(
                new RunDay(
                        study,
                        day,
                        works,
                        ENTRANTS,
                        List.of(),
                        marks,
                        cureFrom,
                        Optional.of(new RunDay.Noted(new PanelAir(new Air(18, 50), panel), Site.UNKNOWN, NINE)),
                        limit,
                        now,
                        UnitSystem.METRIC),
                PairOfHands::plan);
    }

    private void mark(String step, long seconds) {
        marks.add(new Mark(step, false, NINE.plusSeconds(seconds), "Ana", ""));
        now = NINE.plusSeconds(seconds);
    }

    private void look(String section, int grade) {
        readings.removeIf(r -> r.section().equals(section) && r.measure() == Measures.WATER_GRADE);
        readings.add(new Reading(section, 0, Stage.BARE, 1, WaterGrade.seen(WaterKind.REPELS, grade)));
    }

    private static Step step(RunSheet sheet, String key) {
        return sheet.steps().stream()
                .filter(s -> s.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no step " + key + " among "
                        + sheet.steps().stream().map(Step::key).toList()));
    }

    private void apply() {
        day = 1;
        works.add(new Work("", 1, Calendar.Kind.APPLY, "Apply by lot", "", false));
        mark("air", 0);
    }

    @Test
    void keepsTheBareGateShutUntilEverySectionLiesFlat() {
        for (String code : "A B C D E F G H".split(" ")) {
            look(code, code.equals("F") ? 3 : 0);
            mark("look/" + code + "/1", 10);
        }

        assertThat(step(sheet(), "gate/bare").sections()).containsExactly("F");
        assertThat(sheet().next(now).orElseThrow().key()).isEqualTo("air");
        mark("air", 20);
        assertThat(sheet().next(now).orElseThrow().key()).isEqualTo("restrip/F/1");

        mark("restrip/F/1", 60);
        assertThat(sheet().next(now).orElseThrow().key()).isEqualTo("look/F/2");
        look("F", 1);
        mark("look/F/2", 70);
        assertThat(sheet().next(now).orElseThrow().key()).as("still not bare").isEqualTo("restrip/F/2");
        mark("restrip/F/2", 80);
        look("F", 0);
        mark("look/F/2", 85);
        mark("look/F/3", 90);

        assertThat(step(sheet(), "gate/bare").sections()).isEmpty();
        mark("gate/bare", 95);
        assertThat(sheet().next(now).orElseThrow().key())
                .as("the grades are read already")
                .isEqualTo("read/bare/pull/A/1");
        assertThat(sheet().readingsDone()).isEqualTo(8);
        assertThat(sheet().readingsAsked()).isEqualTo(24);
    }

    @Test
    void doesWhatIsRinsedOffFirstAndPlansEveryWaitInsideItsWindow() {
        apply();
        RunSheet sheet = sheet();

        assertThat(sheet.batches())
                .extracting(Batch::title)
                .containsExactly("What is rinsed off", "First coats", "Coat 2");
        assertThat(sheet.next(now).orElseThrow().sections()).containsAnyOf("C", "G");
        HandPlan first = sheet.batches().get(1).plan();
        for (String code : List.of("A", "E")) {
            double wait = first.act("coat1/" + code, HandPlan.Kind.FINISH)
                            .orElseThrow()
                            .start()
                    - first.act("coat1/" + code, HandPlan.Kind.SPREAD)
                            .orElseThrow()
                            .end();
            assertThat(wait).isBetween(60.0, 180.0);
        }
        assertThat(step(sheet, "coat2/A/spread").from().orElseThrow())
                .as("an hour after the first at the earliest")
                .isAfter(NINE.plusSeconds(3600));
        assertThat(sheet.steps()).noneMatch(s -> s.sections().contains("D")).as("bare stays bare");
    }

    @Test
    void runsAClockFromSpreadingAndPlansAnewWhenTheHandsFallBehind() {
        apply();
        for (String code : List.of("C", "G")) {
            mark("coat1/" + code + "/spread", 30);
            mark("coat1/" + code + "/finish", 60);
        }
        mark("coat1-dry", 120);
        mark("coat1/A/spread", 200);
        RunSheet sheet = sheet();

        assertThat(sheet.clocks()).singleElement().satisfies(clock -> {
            assertThat(clock.opens()).isEqualTo(NINE.plusSeconds(260));
            assertThat(clock.closes()).contains(NINE.plusSeconds(380));
        });
        assertThat(sheet.next(now).orElseThrow().kind())
                .as("another section fits into the wait")
                .isEqualTo(Step.Kind.SPREAD);

        now = NINE.plusSeconds(365);
        RunSheet late = sheet();
        assertThat(late.next(now).orElseThrow().key())
                .as("its window closes in 15 s")
                .isEqualTo("coat1/A/finish");
        assertThat(late.batches().get(0).plan().missed()).isEmpty();

        now = NINE.plusSeconds(420);
        assertThat(sheet().batches().get(0).plan().missed()).singleElement().satisfies(m -> {
            assertThat(m.key()).isEqualTo("coat1/A");
            assertThat(m.late()).isBetween(30.0, 45.0);
        });
    }

    @Test
    void leavesWholeBlocksForLaterWhenItWillNotEndInTime() {
        apply();
        assertThat(sheet().batches().get(1).later()).isEmpty();

        Instant all = sheet().batches().get(1).end();
        limit = Optional.of(all.minusSeconds(5));

        assertThat(sheet().batches().get(1).later())
                .as("the second block, whole")
                .containsExactly("E", "F");
        assertThat(sheet().batches().get(1).end()).isBeforeOrEqualTo(limit.get());
        assertThat(sheet().batches().get(2).plan().act("coat1/F", HandPlan.Kind.SPREAD))
                .isPresent();
    }

    @Test
    void shutsTheGateInTheWrongWeatherAndUntilTheCureIsOver() {
        panel = 27;
        apply();
        assertThat(step(sheet(), "gate/weather").detail()).contains("27 °C").contains("25 °C");

        day = 2;
        marks.clear();
        cureFrom = Optional.of(NINE.minusSeconds(3600));
        assertThat(step(sheet(), "gate/cure").from()).contains(NINE.plusSeconds(11 * 3600));
    }

    @Test
    void walksAVisitInItsOrderAndSkipsWhatWasBeforeTheReadings() {
        day = 9;
        assertThat(sheet().steps().stream().map(Step::key).limit(8))
                .containsExactlyElementsOf(Arrays.asList(
                        "air",
                        "visit/arrival",
                        "visit/rinse",
                        "visit/foam",
                        "visit/washed",
                        "visit/dry",
                        "gate/residue/visit",
                        "visit/wet"));

        readings.add(new Reading("A", 9, Stage.REWETTED, 1, Measures.PULL.of(9.8)));
        assertThat(sheet().steps()).noneMatch(s -> s.key().startsWith("visit/"));
        assertThat(sheet().readingsDone()).isEqualTo(1);
    }
}
