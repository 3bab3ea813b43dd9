package org.evensheen.app.plans;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.BedDrawing;
import org.evensheen.app.beds.PlaceInUse;
import org.evensheen.app.page.Refused;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Zone;
import org.junit.jupiter.api.Test;

/** Drawings are to scale, and what is dragged on them comes back as it was meant. */
class PlanDrawingTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    private static final BedShape SHAPE = new BedShape(
            Outline.rectangle(0, 0, 2000, 1000),
            List.of(new BedShape.Trim("handle", Outline.rectangle(900, 100, 200, 60))),
            List.of(new Zone(Zone.Kind.LOW, "low", 0, 600, 2000, 400)));
    private static final PlaceInUse USED = new PlaceInUse(
            4,
            "Which wax?",
            "K",
            Optional.of("Brock Paste"),
            0,
            0,
            900,
            700,
            TODAY.minusDays(20),
            TODAY.plusDays(20),
            Optional.empty());

    private static Design design(String... more) {
        Map<String, String> typed = new TreeMap<>(Fields.blank("Which?", "7", TODAY, 5));
        typed.putAll(Map.of("name0", "Osier", "name1", "Brock", "name2", "Gannet"));
        for (int i = 0; i < more.length; i += 2) {
            typed.put(more[i], more[i + 1]);
        }
        return PlanReader.read(
                typed,
                new PlanReader.Known(
                        List.of(new Bed(7, "Flank", "Heron", Bed.Kind.FLANK, SHAPE, Bed.Traits.UNKNOWN)),
                        List.of(USED),
                        List.of(),
                        Optional.empty(),
                        Optional.empty(),
                        TODAY,
                        Layout::draw,
                        (sections, products) -> OptionalDouble.empty()));
    }

    @Test
    void aBedIsDrawnAtOneScaleWithItsRuler() {
        BedDrawing drawing = BedDrawing.fitting(SHAPE, 1028, 600, List.of(USED), TODAY);
        assertThat(drawing.unit()).isCloseTo(0.5, within(1e-9));
        assertThat(drawing.outline()).isEqualTo("14,14 1014,14 1014,514 14,514");
        assertThat(drawing.trims().get(0).points()).startsWith("464,64 564,64");
        assertThat(drawing.zones().get(0).y()).isEqualTo("314");
        assertThat(drawing.ruler().label()).isEqualTo("1 m");
        assertThat(drawing.ruler().to()).as("1 m from the margin").isEqualTo("514");
        assertThat(drawing.old().get(0).runs()).isTrue();
        assertThat(drawing.old().get(0).words()).isEqualTo("Brock Paste on K of “Which wax?”");
        assertThat(drawing.corners()).extracting(BedDrawing.Handle::mm).contains("2000,1000");
        BedDrawing wheel =
                BedDrawing.of(new BedShape(Outline.circle(300, 300, 300), List.of(), List.of()), 0.5, List.of(), TODAY);
        assertThat(wheel.corners()).as("a circle is not dragged by its corners").isEmpty();
        assertThat(wheel.ruler().label()).isEqualTo("100 mm");
    }

    @Test
    void sectionsAreDrawnWhereTheyAreWithWhoIsOnThem() {
        Design design = design();
        PlanDrawing drawing = PlanDrawing.of(design, TODAY);
        double unit = drawing.bed().unit();
        assertThat(drawing.sections()).hasSize(8);
        design.layout().orElseThrow().sections().forEach(s -> {
            PlanDrawing.Taped taped = drawing.sections().stream()
                    .filter(t -> t.code().equals(s.code()))
                    .findFirst()
                    .orElseThrow();
            assertThat(Double.parseDouble(taped.x())).isCloseTo(14 + s.xMm() * unit, within(0.01));
            assertThat(Double.parseDouble(taped.width())).isCloseTo(s.widthMm() * unit, within(0.01));
            assertThat(taped.bare()).isEqualTo(s.contender() == 3);
            assertThat(taped.spoken()).startsWith(s.code() + ": ").contains("block " + s.row());
        });
    }

    @Test
    void theTapeHasANotchForEveryDatedWorkAndALongPlanCountsWeeksInSteps() {
        Design design = design("gauge", "on");
        PlanTape tape = PlanTape.of(design);
        assertThat(tape.last()).isEqualTo(design.calendar().lastDay());
        assertThat(tape.notches()).hasSize(design.calendar().works().size() - 1);
        assertThat(tape.notches())
                .filteredOn(n -> n.caption().equals("verdict"))
                .hasSize(1);
        assertThat(tape.notches())
                .extracting(PlanTape.Notch::key)
                .contains("bare", "apply", "fresh", "visit8", "check1");
        PlanTape.Notch last = tape.notches().get(tape.notches().size() - 1);
        assertThat(last.at()).isEqualTo("100%");
        assertThat(last.title()).contains("Visit 8", "Every 7 days, 8 times.");
        PlanTape years = PlanTape.of(design("every", "60", "visits", "20"));
        assertThat(years.weeks()).hasSizeLessThan(30);
        assertThat(years.dayTicks().length()).isLessThan(2000);
    }

    @Test
    void aMovedDateIsKeptOnceAndReadFromADayOrADate() {
        assertThat(Dates.moved("", "visit3", 24)).isEqualTo("visit3=24");
        assertThat(Dates.moved("visit3=24 fresh=2", "visit3", 30)).isEqualTo("visit3=30 fresh=2");
        assertThat(Dates.moved("fresh=2", "coat1-2", 4)).isEqualTo("fresh=2 coat1-2=4");
        assertThatExceptionOfType(Refused.class).isThrownBy(() -> Dates.moved("", "a b=9", 3));
        Design design = design();
        assertThat(Dates.day(design, "12", "")).isEqualTo(12);
        assertThat(Dates.day(design, "", TODAY.plusDays(40).toString())).isEqualTo(40);
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> Dates.day(design, "", "soon"))
                .withMessageContaining("Write the day like 2026-11-25");
        assertThat(design("dates", "visit2=30 nonsense fresh=x")
                        .calendar()
                        .work("visit2")
                        .orElseThrow()
                        .day())
                .isEqualTo(30);
    }

    @Test
    void placesInUseAreKeptOffWhenThatIsAsked() {
        assertThat(design().limits()).anyMatch(l -> l.finding().numbers().contains("in use until"));
        Design off = design("keepOff", "on");
        assertThat(off.limits()).noneMatch(l -> l.finding().numbers().contains("in use until"));
        assertThat(off.layout().orElseThrow().sections())
                .noneMatch(s -> USED.meets(s.xMm(), s.yMm(), s.widthMm(), s.heightMm()));
    }
}
