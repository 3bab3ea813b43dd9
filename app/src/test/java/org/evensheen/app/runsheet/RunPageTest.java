package org.evensheen.app.runsheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Device;
import org.evensheen.app.page.Filled;
import org.evensheen.app.page.Hands;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.mixing.SectionDose;
import org.evensheen.core.planning.Calendar;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Dosing;
import org.evensheen.core.study.Happening;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class RunPageTest {
    private final Study study = SampleStudy.applyingOnly();

    private Run run() {
        return LiveApp.bean(RunMaker.class).make(study.id(), Optional.of(0), Hands.UNNAMED);
    }

    private RunPage page() {
        return RunPage.of(run(), Filled.NOTHING, "", "");
    }

    private void take(String step, String... more) {
        Map<String, String> form = new java.util.HashMap<>(
                Map.of("day", "0", "step", step, "key", UUID.randomUUID().toString()));
        for (int i = 0; i < more.length; i += 2) {
            form.put(more[i], more[i + 1]);
        }
        assertThat(Web.send("/studies/" + study.id() + "/run", form).statusCode())
                .isEqualTo(200);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "9 | 9 s",
                "60 | 1 min",
                "130 | 2 min 10 s",
                "599 | 9 min 59 s",
                "700 | 11 min",
                "3600 | 1 h",
                "12000 | 3 h 20 min",
                "259200 | 3 days",
                "-5 | 0 s"
            })
    void writesSpansOfTimeAsAPersonSaysThem(long seconds, String words) {
        assertThat(Times.span(Duration.ofSeconds(seconds)).replace('\u202f', ' '))
                .isEqualTo(words);
    }

    @Test
    void datesByTheServersClockWhateverADeviceSays() {
        Instant now = Instant.parse("2026-05-04T09:00:00Z");

        assertThat(Device.at(90_000, now)).isEqualTo(now.minusSeconds(90));
        assertThat(Device.at(-5, now)).isEqualTo(now);
        assertThat(Device.at(Device.LONGEST_AWAY.toMillis() + 1, now)).isEqualTo(now);
    }

    @Test
    void tellsTheDoseForTheSectionInHandAndWhatTheLabelSays() {
        SectionDose dose = SectionDose.of(
                        LabelLine.readDose("3–5 sprays per section").dose().orElseThrow(), 0.18, Optional.of(0.36))
                .orElseThrow();

        assertThat(StepWords.amount(dose, 2)).isEqualTo("2 sprays");
        assertThat(StepWords.amount(dose, 1)).isEqualTo("1 spray");
        assertThat(StepWords.range(dose, Optional.empty()))
                .isEqualTo("Label: 3–5 sprays per section; on this section 1.5–2.5 sprays.");
        assertThat(StepWords.given(Optional.of(dose), Optional.empty(), "blue towel"))
                .isEqualTo("2 sprays, as planned; blue towel");
    }

    @Test
    void offersOneStepWithItsSectionItsDoseAndItsClock() {
        take("air", "air", "16", "humidity", "50", "panel", "17");
        RunPage before = page();
        RunPage.StepView next = before.steps().stream()
                .filter(RunPage.StepView::next)
                .findFirst()
                .orElseThrow();
        assertThat(next.kind()).isEqualTo("spread");
        assertThat(before.panel().patches()).extracting(RunPage.Patch::code).contains(next.tag());
        assertThat(before.strips().get(0).footLine()).contains("from the first section to the last");

        take(next.key());
        RunPage after = page();
        assertThat(after.clocks()).singleElement().satisfies(clock -> {
            assertThat(clock.code()).isEqualTo(next.tag());
            assertThat(clock.opens()).isGreaterThan(after.now());
            assertThat(clock.closes()).isGreaterThan(clock.opens());
        });
        assertThat(after.done()).extracting(RunPage.DoneView::where).contains(next.tag());
        assertThat(after.strips().get(0).footLine()).startsWith("Over at");
    }

    @Test
    void drawsEveryActOfTheHandsOnceAndNoneOverAnother() {
        take("air", "air", "16", "humidity", "50", "panel", "17");
        StripDrawing strip = page().strips().get(0);
        double free = 0;
        for (StripDrawing.Bar bar : strip.hands()) {
            double x = Double.parseDouble(bar.x());
            assertThat(x).isGreaterThanOrEqualTo(free - 0.15);
            free = x + Double.parseDouble(bar.width());
        }
        assertThat(free).isLessThanOrEqualTo(420);
        assertThat(strip.hands()).hasSize(8);
        assertThat(strip.rows()).hasSize(4).allSatisfy(row -> {
            Matcher wait = Pattern.compile("M([\\d.]+),[\\d.]+H([\\d.]+)").matcher(row.resting());
            assertThat(wait.matches()).isTrue();
            assertThat(Double.parseDouble(wait.group(2))).isGreaterThan(Double.parseDouble(wait.group(1)));
        });
        assertThat(strip.spoken()).contains("spread", "finish", "after the start");
    }

    @Test
    void shutsTheGateOfTheWeatherAndOpensItWhenTheAirIsNotedAfresh() {
        take("air", "air", "30", "humidity", "50", "panel", "31");
        Step gate = run().step("gate/weather").orElseThrow();
        assertThat(RunKeeper.shut(run(), gate).orElseThrow()).contains("31 °C").contains("go on with a reason");
        assertThat(page().warnings()).anyMatch(w -> w.contains("above what the labels allow"));

        take("air", "what", "undo");
        take("air", "air", "18", "humidity", "50", "panel", "18");
        assertThat(run().step("gate/weather")).isEmpty();
    }

    @Test
    void takesWhatTheBottleLostForWhatTheLabelCounts() {
        take("air", "air", "16", "humidity", "50", "panel", "17");
        String seal = SampleStudy.codes(study, "Osier Spray Seal").get(0);
        RunKeeper.Outcome swapped = LiveApp.bean(RunKeeper.class)
                .take(
                        run(),
                        new RunKeeper.Sent(
                                "coat1/" + seal + "/spread",
                                Map.of("before", "300", "after", "304.6"),
                                Instant.now(),
                                UUID.randomUUID(),
                                Hands.UNNAMED));
        assertThat(swapped.problems().get("after")).contains("weighs less than before");
        take("coat1/" + seal + "/spread", "before", "304.6", "after", "300");

        assertThat(run().kept().step("coat1/" + seal + "/spread").orElseThrow().given())
                .as("4.6 g at 1.15 mL a spray")
                .hasValueSatisfying(sprays -> assertThat(sprays).isBetween(3.9, 4.1));
    }

    /** Where doses are split, the day says which chemical goes on which sections, and the tape keeps it. */
    @Test
    void aSplitDoseKeepsWhichChemicalWentWhere() {
        Map<String, String> typed = SamplePlan.fair();
        typed.putAll(Map.of(
                "wear", "chemicals",
                "chem0", "Fenland Degreaser",
                "chem1", "Rustmoth Iron Wash",
                "scheme", "split",
                "ack", "on",
                "firstDay", LocalDate.now().toString()));
        typed.remove("blind");
        Study study = LiveApp.bean(StudyStore.class).load(SamplePlan.begin(SamplePlan.make(typed)));
        Calendar.Work work = study.works().stream()
                .filter(w -> w.kind() == Calendar.Kind.DOSE)
                .findFirst()
                .orElseThrow();
        Run run = LiveApp.bean(RunMaker.class).make(study.id(), Optional.of(work.day()), Hands.UNNAMED);
        LiveApp.bean(RunKeeper.class)
                .take(run, new RunKeeper.Sent("dose/on", Map.of(), Instant.now(), UUID.randomUUID(), new Hands("Ana")));
        Study dosed = LiveApp.bean(StudyStore.class).load(study.id());
        Dosing kept = dosed.record().happenings().stream()
                .filter(h -> h.kind() == Happening.Kind.DOSED)
                .map(h -> Dosing.read(h.note()))
                .findFirst()
                .orElseThrow();
        assertThat(work.title()).isEqualTo("Dose: " + kept.print());
        for (Contender c : dosed.record().contenders()) {
            List<String> first = dosed.record()
                    .sectionsOf(c)
                    .flatMap(s -> kept.on(s.code()).stream())
                    .toList();
            assertThat(first)
                    .as(c.name())
                    .hasSize((int) dosed.record().sectionsOf(c).count())
                    .contains("Fenland Degreaser");
        }
    }

    @Test
    void aChemicalSaysHowMuchGoesOnEachSectionAndItsPhStaysWithTheProduct() {
        String name = SampleProduct.name("Mire Off");
        long product = SampleProduct.make(
                name,
                "iron",
                "10 mL per section; wait 1-2 min; rinse off; pH 6–7; for wheels, paint; caution iron remover",
                500);
        Map<String, String> typed = SamplePlan.fair();
        typed.putAll(Map.of(
                "wear", "chemicals", "chem0", name, "firstDay", LocalDate.now().toString()));
        Study dosed = LiveApp.bean(StudyStore.class).load(SamplePlan.begin(SamplePlan.make(typed)));
        int day = dosed.works().stream()
                .filter(w -> w.kind() == Calendar.Kind.DOSE)
                .findFirst()
                .orElseThrow()
                .day();
        Run run = LiveApp.bean(RunMaker.class).make(dosed.id(), Optional.of(day), Hands.UNNAMED);
        RunPage.StepView dose = StepViews.of(run, run.step("dose/on").orElseThrow(), true, Filled.NOTHING);

        assertThat(dose.big()).isEqualTo("10\u202fmL");
        assertThat(dose.bigNote()).isEqualTo("On each section. Label: 10 mL per section.");
        assertThat(dose.detail()).startsWith("Wear: ");
        assertThat(dose.takes()).extracting(RunPage.Take::field).containsOnly("ph");

        RunKeeper keeper = LiveApp.bean(RunKeeper.class);
        UnaryOperator<String> read = ph -> {
            RunKeeper.Sent sent = new RunKeeper.Sent(
                    "dose/on", Map.of("ph", ph, "by", "Marsh pH"), Instant.now(), UUID.randomUUID(), new Hands("Ana"));
            RunKeeper.Outcome outcome = keeper.take(run, sent);
            return outcome.problems().getOrDefault("ph", outcome.said());
        };
        assertThat(read.apply("sour")).contains("“sour” is no pH", "leave it empty");
        assertThat(read.apply("2.4")).contains("pH 2.4 lies 3.6 beyond the label's 6–7");
        assertThat(Web.get("/shelf/" + product).body())
                .contains("pH 2.4 by Marsh pH")
                .as("what was read asks for gloves")
                .contains("Acid: burns skin");
    }

    @Test
    void showsTheSheetOfAnyDayAndRefusesWorkThatIsStillToCome() {
        assertThat(Web.get("/studies/" + study.id() + "/run?day=2").body()).contains("First pull", "day 2");
        assertThat(Web.get("/studies/" + study.id() + "/run?day=77").body())
                .contains("Nothing is planned for this day.");
        assertThat(Web.get("/studies/" + study.id() + "/run?day=-1").statusCode())
                .isEqualTo(404);
        var early = Web.send(
                "/studies/" + study.id() + "/run",
                Map.of("day", "2", "step", "gate/cure", "key", UUID.randomUUID().toString()));
        assertThat(early.statusCode()).isEqualTo(422);
        assertThat(early.body()).contains("still to come");
    }

    @Test
    void worksAsPlainPagesWithoutAnyScript() {
        var answer = Web.post(
                "/studies/" + study.id() + "/run",
                Map.of(
                        "day",
                        "0",
                        "step",
                        "air",
                        "air",
                        "16",
                        "humidity",
                        "50",
                        "panel",
                        "17",
                        "key",
                        UUID.randomUUID().toString()));
        assertThat(answer.statusCode()).isEqualTo(302);
        String location = answer.headers().firstValue("Location").orElseThrow();
        assertThat(location).endsWith("/run?day=0");
        assertThat(URLDecoder.decode(answer.headers().firstValue("Set-Cookie").orElseThrow(), StandardCharsets.UTF_8))
                .startsWith("said=Dew point 5.6\u202f°C; the panel is");
    }
}
