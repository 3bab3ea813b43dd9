package org.evensheen.app.verdicts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Missing;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.comparing.Absent;
import org.evensheen.core.comparing.Answer;
import org.evensheen.core.comparing.BlockModel;
import org.evensheen.core.comparing.Estimate;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Spread;
import org.evensheen.core.water.WaterKind;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

@ExtendWith(LiveApp.class)
class VerdictPageTest {
    private static Study study;
    private static Judging.Outcome outcome;

    @BeforeAll
    static void judged() {
        study = SampleStudy.read();
        outcome = LiveApp.bean(Judging.class).judge(study, Measures.PULL, SampleStudy.TODAY);
    }

    private static Verdict verdict() {
        return outcome.verdict().orElseThrow();
    }

    @Test
    void thePageShowsTheNumbersOfTheVerdictAndTheDocumentHoldsThemToTheLastDigit() {
        VerdictPage page = VerdictPage.of(study, Measures.PULL, SampleStudy.TODAY, outcome);
        JsonNode document = JsonMapper.builder()
                .build()
                .readTree(Web.get("/studies/%d/verdict.json".formatted(study.id()))
                        .body());
        assertThat(document.get("format").asString()).isEqualTo("even-sheen-verdict/2");
        for (int i = 0; i < verdict().results().size(); i++) {
            Verdict.Result result = verdict().results().get(i);
            VerdictPage.Row row = page.rows().get(i);
            JsonNode product = document.get("products").get(i);
            assertThat(row.place()).isEqualTo(String.valueOf(result.place()));
            assertThat(row.benefit().figure())
                    .isEqualTo(Figures.percent(
                            result.benefit().value().orElseThrow().value()));
            assertThat(product.get("benefit").get("value").asDouble())
                    .isEqualTo(result.benefit().value().orElseThrow().value());
            assertThat(product.get("retention").get("high").asDouble())
                    .isEqualTo(result.retention()
                            .value()
                            .orElseThrow()
                            .share()
                            .interval()
                            .orElseThrow()
                            .high());
            assertThat(product.get("chanceOfPlace")).hasSize(3);
        }
        assertThat(page.pairs()).hasSize(3);
        assertThat(page.footing()).isEqualTo(document.get("footing").asString());
    }

    @Test
    void whileTheKeyIsClosedNoProductIsNamedAnywhere() {
        long closed = SampleStudy.closed().id();
        for (String path : List.of("", "/verdict", "/verdict.json", "/verdict/workings?of=benefit&product=0")) {
            assertThat(Web.get("/studies/" + closed + path).body()).as(path).doesNotContain("Osier", "Brock", "Kelter");
        }
    }

    @Test
    void theWorkingsOfABenefitAreItsArithmetic() {
        Verdict.Result best = verdict().results().get(0);
        Workings workings =
                Workings.of(study, verdict(), "benefit", best.contender().number(), 0);
        double bare = study.record()
                .bareSections()
                .mapToDouble(s -> study.record()
                        .mean(s, verdict().at(), Measures.PULL)
                        .map(Spread::mean)
                        .orElseThrow())
                .average()
                .orElseThrow();
        assertThat(best.benefit().value().orElseThrow().value())
                .isCloseTo(1 - best.mean().value() / bare, within(1e-9));
        assertThat(workings.steps()).hasSize(5);
        assertThat(workings.steps().get(4))
                .contains(
                        Figures.difference(Measures.PULL, bare),
                        "= "
                                + Figures.number(
                                        best.benefit().value().orElseThrow().value(), 3));
        assertThat(workings.rests()).contains("Fieller", "degrees of freedom", "rows taken out");
    }

    @Test
    void everyKindOfNumberHasWorkingsAndOthersAreNotInvented() {
        int first = verdict().results().get(0).contender().number();
        int second = verdict().results().get(1).contender().number();
        for (String of : List.of("mean", "benefit", "retention", "place", "chance", "pair", "least")) {
            Workings workings = Workings.of(study, verdict(), of, first, second);
            assertThat(workings.value()).as(of).isNotBlank();
            assertThat(workings.steps()).as(of).isNotEmpty();
        }
        assertThatExceptionOfType(Missing.class).isThrownBy(() -> Workings.of(study, verdict(), "luck", first, second));
        assertThatExceptionOfType(Missing.class).isThrownBy(() -> Workings.of(study, verdict(), "mean", 77, 0));
    }

    /** A verdict of four products in which only some neighbours can be told apart. */
    private static Verdict chain(boolean... apart) {
        List<Verdict.Result> results = java.util.stream.IntStream.range(0, 4)
                .mapToObj(i -> new Verdict.Result(
                        new Contender(i, "P" + i, Contender.Role.PRODUCT, WaterKind.REPELS, Contender.Source.BOUGHT),
                        1,
                        2,
                        new Estimate(10 + i, 1, 5),
                        new Answer<>(Optional.empty(), Optional.of(Absent.BARE_NOT_READ)),
                        new Answer<>(Optional.empty(), Optional.of(Absent.FIRST_READINGS)),
                        List.of()))
                .toList();
        List<Verdict.Pair> pairs = new java.util.ArrayList<>();
        int k = 0;
        for (int i = 0; i < 4; i++) {
            for (int j = i + 1; j < 4; j++) {
                boolean told = apart[k++];
                pairs.add(new Verdict.Pair(
                        i,
                        j,
                        new Estimate(j - i, 1, 5),
                        Optional.of(new Interval(told ? 0.1 : -0.1, 9)),
                        0.01,
                        told ? 0.01 : 0.5,
                        told,
                        OptionalDouble.of(4)));
            }
        }
        return new Verdict(
                Measures.PULL,
                SampleStudy.VISIT,
                Scale.Turn.NONE,
                List.of(),
                results,
                pairs,
                List.of(List.of(0, 1, 2, 3)),
                List.of(),
                Optional.empty(),
                Optional.of(new Verdict.Scatter(1, 5, List.of(), false)),
                BlockModel.Rows.TAKEN_OUT,
                Map.of(),
                Optional.of(new Verdict.Simultaneous(3.6)));
    }

    @Test
    void tapeJoinsEveryLongestRunThatCanNotBeToldApartAndStripsMayOverlap() {
        assertThat(Strips.of(chain(false, true, true, false, true, false)))
                .as("0 with 1, 1 with 2, 2 with 3")
                .containsExactly(
                        List.of("start", ""), List.of("end", "start"), List.of("start", "end"), List.of("end", ""));
        assertThat(Strips.of(chain(true, true, true, true, true, true)))
                .containsExactly(List.of("single"), List.of("single"), List.of("single"), List.of("single"));
        assertThat(Strips.of(chain(false, false, false, false, false, false)))
                .containsExactly(List.of("start"), List.of("middle"), List.of("middle"), List.of("end"));
    }

    @Test
    void aSentenceSaysNoMoreThanTheEvidence() {
        assertThat(Sentence.of(study, Measures.PULL, Optional.empty()).first()).contains("nothing to judge");
        assertThat(Sentence.of(study, Measures.PULL, Optional.of(chain(false, false, false, false, false, false)))
                        .first())
                .isEqualTo("None of the 4 can be told apart at slickness.");
        assertThat(Sentence.of(study, Measures.PULL, outcome.verdict()).first()).contains("at slickness");
    }

    @Test
    void aStudyOfSingleSectionsBorrowsItsScatterAndSaysSo() {
        Study byHand = LiveApp.bean(StudyStore.class).load(2);
        Judging.Outcome borrowed = LiveApp.bean(Judging.class).judge(byHand, Measures.PULL, 15);
        Verdict.Scatter scatter = borrowed.verdict().orElseThrow().scatter().orElseThrow();
        assertThat(scatter.lenders())
                .isNotEmpty()
                .allSatisfy(l -> assertThat(l.freedom()).isPositive());
        assertThat(scatter.deviation()).isBetween(0.1, 1.0);
        assertThat(Web.get("/studies/2/verdict").body())
                .contains(
                        "Scatter borrowed from",
                        "earlier stud",
                        "Footing: anecdote",
                        "No bare section",
                        "Placed by hand",
                        "One section per product");
        assertThat(Web.get("/studies/2/verdict?measure=drop").body()).contains("No product can be called better");
    }

    /** A study that began later lends nothing to an earlier verdict; one that began before it, and was read by then, does. */
    @Test
    void aLaterStudyChangesNoEarlierVerdict() {
        String json = "/studies/2/verdict.json";
        String before = Web.get(json).body();
        assertThat(before).contains("\"borrowedFrom\":[{\"study\":1,\"day\":");
        long later = SampleStudy.read().id();
        assertThat(Web.get(json).body()).isEqualTo(before);
        begins(later, "interval '100 days'");
        try {
            assertThat(Web.get(json).body()).contains("{\"study\":" + later + ",\"day\":8,");
        } finally {
            begins(later, "interval '8 days'");
        }
        assertThat(Web.get(json).body()).isEqualTo(before);
    }

    private static void begins(long study, String ago) {
        LiveApp.database()
                .sql("update study set first_day = current_date - " + ago + " where id = " + study)
                .update();
    }

    /** Grades by eye are judged too, as an order, and every number of theirs opens how it came. */
    @Test
    void gradesByEyeHaveAVerdictOfTheirOwn() {
        String page = Web.get("/studies/1/verdict?measure=grade").body();
        assertThat(page)
                .contains("at the look of water", "As read", "of 4 on ")
                .doesNotContain("Left of its first effect");
        Study demo = LiveApp.bean(StudyStore.class).load(1);
        Verdict verdict = LiveApp.bean(Judging.class)
                .judge(demo, Measures.WATER_GRADE, 56)
                .verdict()
                .orElseThrow();
        int first = verdict.results().get(0).contender().number();
        int second = verdict.results().get(1).contender().number();
        for (String of : List.of("mean", "place", "chance", "pair", "least")) {
            assertThat(Workings.of(demo, verdict, of, first, second).steps())
                    .as(of)
                    .isNotEmpty();
        }
        assertThat(Web.get("/studies/1/verdict.json?measure=grade").body())
                .contains("\"scale\":\"order\"", "\"noScatter\":\"an-order\"", "\"noBenefit\":\"an-order\"");
    }
}
