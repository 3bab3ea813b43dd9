package org.evensheen.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.lives.Living;
import org.evensheen.app.studies.Judging;
import org.evensheen.app.studies.Key;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyListStore;
import org.evensheen.app.studies.StudyStore;
import org.evensheen.core.comparing.Ratio;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Visit;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.evensheen.standins.SimulatedBed;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The demo's readings come from a truth that is known; the verdict on them finds it. */
@ExtendWith(LiveApp.class)
class DemoTruthTest {

    private static Study stored(DemoWorld.Told told) {
        long id = LiveApp.database()
                .sql("select id from study where page_key = :key")
                .param("key", told.draft().key())
                .query(Long.class)
                .single();
        return LiveApp.bean(StudyStore.class).load(id);
    }

    @Test
    void theFinishedBoardsIntervalsHoldTheTruthAndItsOrderIsRight() {
        DemoWorld.Told told = DemoWorld.studies(LocalDate.now()).get(0);
        Study study = stored(told);
        SimulatedBed bed = new SimulatedBed(
                study.record(),
                told.paint(),
                told.coatings(),
                told.freshDay(),
                told.draft().seed());
        Contender bare = study.record().contenders().get(4);
        assertThat(bare.isBare()).isTrue();
        int held = 0;
        int asked = 0;
        for (int day : List.of(7, 14, 21, 28, 42, 56)) {
            Verdict verdict = LiveApp.bean(Judging.class)
                    .judge(study, Measures.PULL, day)
                    .verdict()
                    .orElseThrow();
            Occasion at = new Occasion(day, Stage.REWETTED);
            double untreated = bed.truth(bare, at, Measures.PULL);
            for (Verdict.Result result : verdict.results()) {
                Ratio benefit = result.benefit().value().orElseThrow();
                asked++;
                held += benefit.interval()
                                .orElseThrow()
                                .holds(1 - bed.truth(result.contender(), at, Measures.PULL) / untreated)
                        ? 1
                        : 0;
            }
            assertThat(verdict.results().get(0).contender().name()).isEqualTo("Kelter Rinse-On");
            assertThat(verdict.results().get(0).place()).isEqualTo(1);
        }
        assertThat(held).as("of %s intervals", asked).isGreaterThanOrEqualTo(asked - 5);
    }

    @Test
    void somethingIsDueTodayInTheFlankAndItsKeyIsClosed() {
        Study flank = stored(DemoWorld.studies(LocalDate.now()).get(2));
        assertThat(flank.judgedByCode()).isTrue();
        assertThat(flank.record().plan().visitOn(42)).isPresent();
        assertThat(Visit.of(flank.record(), 42))
                .filteredOn(v -> v.occasion().day() == 42)
                .singleElement()
                .satisfies(v -> {
                    assertThat(v.state()).isEqualTo(Visit.State.DUE);
                    assertThat(v.wanting()).isEqualTo(10);
                });
        assertThat(flank.record().readings()).noneMatch(r -> r.day() == 21).noneMatch(r -> r.day() > 42);
        assertThat(flank.readings()).allSatisfy(k -> assertThat(k.keptBy()).isNotBlank());
    }

    @Test
    void theDemoIsLoadedOnceHoweverOftenTheApplicationStarts() {
        int before = LiveApp.bean(StudyListStore.class)
                .list(0, java.time.LocalDate.now())
                .size();
        LiveApp.bean(DemoLoader.class).run(new org.springframework.boot.DefaultApplicationArguments());
        assertThat(LiveApp.bean(StudyListStore.class).list(0, java.time.LocalDate.now()))
                .hasSize(before);
    }

    /** The stand-in's half-lives are known, and the verdict finds them: who stands longest, by how many times, with the truth inside the interval. */
    @Test
    void foamsStandInTheirTrueOrderByTheirTrueRatios() {
        Study foam = LiveApp.bean(StudyStore.class).load(5);
        assertThat(foam.question()).startsWith("Which foam stands longest");
        Verdict verdict = LiveApp.bean(Judging.class)
                .judge(foam, Measures.FOAM, 3)
                .verdict()
                .orElseThrow();
        Verdict.Result best = verdict.results().get(0);
        assertThat(best.contender().name()).isEqualTo("Curlew Foam");
        assertThat(best.place()).isEqualTo(1);
        for (Verdict.Pair pair : verdict.pairs()) {
            Verdict.Told told = verdict.told(pair);
            assertThat(told.ratio()).isTrue();
            assertThat(half(foam, pair.better()) / half(foam, pair.worse())).isBetween(told.low(), told.high());
        }
    }

    private static double half(Study foam, int contender) {
        return DemoFoam.TRUTH
                .get(foam.record().contenders().get(contender).name())
                .halfLife();
    }

    /** Behind the codes of the near flank one label promises more than was found. */
    @Test
    void onTheNearFlankOnePromiseFallsShort() {
        long flank = LiveApp.database()
                .sql("select id from study where question like 'Which spray seal is still there%' order by id limit 1")
                .query(Long.class)
                .single();
        Study named = LiveApp.bean(Key.class)
                .forTheStandIns(LiveApp.bean(StudyStore.class).load(flank));
        assertThat(LiveApp.bean(Living.class).promises(named, Measures.PULL, java.time.LocalDate.now()))
                .anySatisfy(p -> assertThat(p).startsWith("Lowlight Mist: ").contains("Falls short"));
    }
}
