package org.evensheen.app.answers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.league.Rounds;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.Web;
import org.evensheen.app.mixer.RateStore;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.answer.Onward;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.answer.Worth;
import org.evensheen.core.measure.Quality;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The truth behind the demo is known, and the answer finds it. */
@ExtendWith(LiveApp.class)
class DemoAnswerTest {
    /** Weeks until a quarter is left, τ·ln 4 of the coatings of the year of salt, without what salt and dirt add alike. */
    private static final Map<String, Double> TAU = Map.of(
            "Osier Spray Seal", 13.0,
            "Tidewrack Mist Coat", 34.0,
            "Brock Paste", 9.0,
            "Kelter Rinse-On", 13.0,
            "Lowlight Mist", 4.5);

    private static Study salt() {
        return study("What is left after a year of salt?");
    }

    private static Study study(String question) {
        long id = LiveApp.database()
                .sql("select id from study where question = :question")
                .param("question", question)
                .query(Long.class)
                .single();
        return LiveApp.bean(StudyStore.class).load(id);
    }

    private static Answer answer(Study study) {
        int today = (int) java.time.temporal.ChronoUnit.DAYS.between(study.firstDay(), LocalDate.now());
        return LiveApp.bean(Answering.class)
                .of(study, today, new Purse(LiveApp.bean(RateStore.class).rates(), Optional.empty()));
    }

    @Test
    void livesStandInTheRatiosThatAreTrue() {
        Study study = salt();
        Answer answer = answer(study);
        QualityScale life = answer.scale(Quality.LIFE).orElseThrow();
        AnswerWords words = new AnswerWords(study, answer);
        assertThat(words.name(life.top())).isEqualTo("Osier Spray Seal");
        assertThat(life.referred()).isTrue();
        life.scores().forEach((product, scored) -> {
            double truth = 100 * TAU.get(words.name(product)) / TAU.get("Osier Spray Seal");
            assertThat(scored.score()).as(words.name(product)).isCloseTo(truth, within(0.3 * truth));
            if (product != life.top()) {
                assertThat(scored.interval().low()).as(words.name(product)).isLessThan(truth * 1.1);
                assertThat(scored.interval().high()).as(words.name(product)).isGreaterThan(truth * 0.9);
            }
        });
    }

    @Test
    void theLongestLastingIsFirstForWhoLivesByTheSeaAndTheTwoAlikeShareAPlace() {
        Study study = salt();
        Answer answer = answer(study);
        Weighed sea = answer.forReader(Profile.shipped().get(0));
        AnswerWords words = new AnswerWords(study, answer);
        assertThat(words.first(sea)).isEqualTo("Tidewrack Mist Coat is first.");
        Weighed life = answer.forReader(new Profile("life", "How long alone", java.util.Map.of(Quality.LIFE, 1)));
        assertThat(life.lines().stream()
                        .filter(l ->
                                List.of("Osier Spray Seal", "Kelter Rinse-On").contains(words.name(l.contender())))
                        .map(Weighed.Line::place))
                .as("by how long they last")
                .containsExactly(2, 2);
        assertThat(words.missing(sea))
                .contains(
                        "Water: at the latest look none was graded above bare.",
                        "Gloss, cleaning, foam and ease: not measured here.");
        assertThat(answer.costs())
                .as("one is priced in another currency, and a rate was stated")
                .hasSize(5);
        assertThat(LiveApp.bean(Answering.class).of(study, 700, Purse.EMPTY).costs())
                .as("without a rate it can't be set against the others")
                .hasSize(4);
        assertThat(AnswerWords.turns(sea)).startsWith("The order turns on life");
        assertThat(NextPage.of(AnswerOf.study(study), sea, List.of()).lead())
                .isEqualTo("For this reader it is settled: Tidewrack Mist Coat stands alone.");
    }

    /** Whom this reader can't tell apart, further visits to what goes on, and all of it once more, are rehearsed; sections with first readings don't touch how long it lasts. */
    @Test
    void waysOfGoingOnAreRehearsedAgainstEachOther() {
        Study study = study("Is any wash leaving something behind on soft black paint?");
        Answer answer = answer(study);
        Weighed sea = answer.forReader(Profile.shipped().get(0));
        assertThat(sea.first()).hasSize(2);
        int today = (int) java.time.temporal.ChronoUnit.DAYS.between(study.firstDay(), LocalDate.now());
        List<Onward.Way> ways = answer.ways(
                sea,
                (one, other) -> NextWays.of(
                        study,
                        answer,
                        LiveApp.bean(Answering.class).wear(study, today).lives(),
                        one,
                        other));
        assertThat(ways)
                .extracting(Onward.Way::kind)
                .contains(Onward.Kind.SECTIONS, Onward.Kind.VISITS, Onward.Kind.AGAIN);
        ways.stream()
                .filter(w -> w.kind() == Onward.Kind.SECTIONS)
                .forEach(
                        w -> assertThat(w.left()).containsKey(Quality.SLICKNESS).doesNotContainKey(Quality.LIFE));
        ways.stream()
                .filter(w -> w.kind() == Onward.Kind.VISITS)
                .forEach(w -> assertThat(w.left()).containsOnlyKeys(Quality.LIFE, Quality.COST));
        ways.stream()
                .filter(w -> w.kind() == Onward.Kind.AGAIN && w.times() == 2)
                .forEach(w -> assertThat(w.left().get(Quality.LIFE))
                        .as("three sections there, two more")
                        .isEqualTo(0.6));
        NextPage next = NextPage.of(AnswerOf.study(study), sea, ways);
        assertThat(next.lines()).hasSize(3);
        assertThat(next.lead()).contains("Kelter Rinse-On and Curlew Foam");
        assertThat(next.lines().get(2).percent())
                .as("all of it once more does most")
                .isGreaterThan(next.lines().get(0).percent());
    }

    /** What a protected week costs is what went on, by its price, over the weeks it lasted. */
    @Test
    void aProtectedWeekCostsWhatWentOnOverWhatItLasted() {
        Study study = salt();
        Answer answer = answer(study);
        Worth worth = Worths.of(answer, Profile.shipped().get(0));
        AnswerWords words = new AnswerWords(study, answer);
        assertThat(worth.points().get(0))
                .satisfies(p -> assertThat(words.name(p.contender()))
                        .as("5 sprays of 1.3 mL at 16 EUR a litre, once")
                        .isEqualTo("Kelter Rinse-On"));
        double weeks = Math.exp(java.util.Arrays.stream(
                        answer(study).costs().get(worth.points().get(0).contender()))
                .map(c -> Math.log(5 * 1.3 * 16 / 1000.0) - c)
                .sorted()
                .skip(5000)
                .findFirst()
                .orElseThrow());
        assertThat(worth.points().get(0).cost() * weeks).isCloseTo(5 * 1.3 * 0.016, within(1e-3));
        assertThat(worth.points().get(0).edge()).isTrue();
    }

    @Test
    void whatTheLeagueKeepsOfItIsTheSame() {
        Rounds.untilNoneIsStale();
        assertThat(LiveApp.database()
                        .sql("select sentence || ' ' || footing from finding_source where study_id = :id")
                        .param("id", salt().id())
                        .query(String.class)
                        .single())
                .isEqualTo("Tidewrack Mist Coat is first. firm");
        String page = Web.get("/verdicts?quality=life").body();
        assertThat(page.indexOf("<b>Tidewrack")).isPositive().isLessThan(page.indexOf("<b>Lowlight"));
    }
}
