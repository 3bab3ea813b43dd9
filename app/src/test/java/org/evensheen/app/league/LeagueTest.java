package org.evensheen.app.league;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.core.measure.Quality;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What studies add to the league, and what it shows of them. */
@ExtendWith(LiveApp.class)
class LeagueTest {
    private static List<FindingStore.Kept> of(Study study, Quality quality) {
        return LiveApp.bean(FindingStore.class).on(quality, Findings.METHOD).stream()
                .filter(k -> k.study() == study.id())
                .toList();
    }

    @Test
    void aStudyAddsItsFirstReadingsAsSharesOfBare() {
        Study study = SampleStudy.read();
        Rounds.untilNoneIsStale();
        List<FindingStore.Kept> found = of(study, Quality.SLICKNESS);
        assertThat(found).hasSize(1);
        FindingStore.Document d = found.get(0).document();
        int osier = d.products().indexOf("Osier Spray Seal");
        int brock = d.products().indexOf("Brock Paste");
        double bare = SampleStudy.firstPull(study, "Bare");
        assertThat(d.means().get(osier) - d.means().get(brock))
                .isCloseTo(
                        (SampleStudy.firstPull(study, "Brock Paste") - SampleStudy.firstPull(study, "Osier Spray Seal"))
                                / bare,
                        within(1e-9));
        assertThat(d.covariance().get(osier).get(osier)).isPositive();
        assertThat(found.get(0).alike()).isEqualTo("slickness, first readings");
        assertThat(found.get(0).on()).isEqualTo(study.firstDay().plusDays(8));
        assertThat(of(study, Quality.LIFE))
                .as("one visit tells of no life that ends")
                .hasSizeLessThanOrEqualTo(1);
    }

    @Test
    void theLeagueNamesProductsOfOpenStudiesAndNoneOfClosedOnes() {
        Study open = SampleStudy.read();
        Study closed = SampleStudy.closed();
        Rounds.untilNoneIsStale();
        assertThat(of(closed, Quality.SLICKNESS)).isEmpty();
        String page = Web.get("/verdicts?quality=slickness").body();
        assertThat(page).contains("Osier Spray Seal", "Brock Paste", "points of bare", "/shelf/");
        StringBuilder lists = new StringBuilder();
        for (int i = 0; i < 60 && !lists.toString().contains("/studies/" + open.id() + "/answer"); i++) {
            lists.append(Web.get("/verdicts?quality=slickness&page=" + i).body());
        }
        assertThat(lists.toString())
                .contains(
                        "/studies/" + open.id() + "/answer", "/studies/" + closed.id() + "/verdict", "judged by code");
        assertThat(Web.get("/verdicts?quality=slickness&kind=wax").body()).contains("Nothing matches");
        assertThat(Web.get("/verdicts?quality=slickness&text=brock").body()).contains("is-found");
        for (String odd :
                List.of("?quality=charm", "?page=-4", "?page=99999999", "?kind=%3Cb%3E", "?alike=x", "?text=%27")) {
            assertThat(Web.get("/verdicts" + odd).statusCode()).as(odd).isEqualTo(200);
        }
    }

    /** A reading more makes the study stale, and what it adds is replaced, not doubled. */
    @Test
    void whatAStudyAddsFollowsItsRevision() {
        Study study = SampleStudy.read();
        Rounds.untilNoneIsStale();
        LiveApp.database()
                .sql("update finding_source set revision = revision - 1 where study_id = :id")
                .param("id", study.id())
                .update();
        assertThat(LiveApp.bean(FindingStore.class).stale(Findings.METHOD, 500)).contains(study.id());
        Rounds.untilNoneIsStale();
        assertThat(of(study, Quality.SLICKNESS)).hasSize(1);
        assertThat(LiveApp.bean(FindingStore.class).stale(Findings.METHOD, 500)).doesNotContain(study.id());
    }

    /** A product's own page says where it stands, and the list of studies what each came to. */
    @Test
    void whatStandsIsToldWhereOneLooks() {
        Study study = SampleStudy.read();
        Rounds.untilNoneIsStale();
        long osier = LiveApp.database()
                .sql("select id from product where name = 'Osier Spray Seal'")
                .query(Long.class)
                .single();
        assertThat(Web.get("/shelf/" + osier + "/league").body())
                .containsPattern("place \\d+ of \\d+, \\d+ stud")
                .contains("/verdicts?quality=slickness");
        assertThat(Web.get("/shelf/999999/league").statusCode()).isEqualTo(404);
        String sentence = LiveApp.database()
                .sql("select sentence from finding_source where study_id = :id")
                .param("id", study.id())
                .query(String.class)
                .single();
        assertThat(sentence).endsWith(" first.");
        boolean listed = false;
        for (int i = 0; i < 60 && !listed; i++) {
            String list = Web.get("/studies?page=" + i).body();
            listed = list.contains("/studies/" + study.id() + "\"") && list.contains(sentence);
        }
        assertThat(listed).isTrue();
    }

    @Test
    void seasonsAreThoseOfTheNorth() {
        assertThat(LeagueController.season(LocalDate.of(2026, 2, 28))).isEqualTo("winter");
        assertThat(LeagueController.season(LocalDate.of(2026, 3, 1))).isEqualTo("spring");
        assertThat(LeagueController.season(LocalDate.of(2026, 8, 31))).isEqualTo("summer");
        assertThat(LeagueController.season(LocalDate.of(2026, 9, 1))).isEqualTo("autumn");
    }
}
