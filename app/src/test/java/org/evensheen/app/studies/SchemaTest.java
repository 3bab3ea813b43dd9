package org.evensheen.app.studies;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.UUID;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What must never be stored cannot be stored, whoever asks. */
@ExtendWith(LiveApp.class)
class SchemaTest {
    private static Study study;
    private static long section;

    @BeforeAll
    static void sample() {
        study = SampleStudy.make();
        section = LiveApp.database()
                .sql("select min(id) from section where study_id = :s")
                .param("s", study.id())
                .query(Long.class)
                .single();
    }

    private static void insert(String values) {
        LiveApp.database()
                .sql("insert into reading (study_id, section_id, day, stage, measure, repeat, amount, seen,"
                        + " kept_by, page_key) values (" + study.id() + ", " + section + ", " + values
                        + ", 'Ana', '"
                        + UUID.randomUUID() + "')")
                .update();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "-1, 'bare', 'pull', 1, 9, 'amount=9'|reading_lies_within_ten_years",
                "8, 'soaked', 'pull', 1, 9, 'amount=9'|reading_stage_is_known",
                "8, 'rewetted', 'pull', 0, 9, 'amount=9'|reading_repeat_is_from_one",
                "8, 'rewetted', 'pull', 1, -9, 'amount=9'|reading_is_physical",
                "8, 'rewetted', 'pull', 1, 9, 'amount=9;width=3'|reading_is_physical",
                "8, 'rewetted', 'drop', 1, 1.5, 'amount=1.5'|reading_is_physical",
                "8, 'rewetted', 'drop', 1, 1.5, 'amount=1.5;width=30.1'|reading_is_physical",
                "8, 'rewetted', 'grade', 1, 5, 'kind=repels;amount=5'|reading_is_physical",
                "8, 'rewetted', 'grade', 1, 3, 'amount=3'|reading_is_physical",
                "8, 'rewetted', 'gloss', 1, 201, 'amount=201'|reading_is_physical",
                "8, 'rewetted', 'Shine!', 1, 3, 'amount=3'|reading_measure_is_a_word",
                "8, 'rewetted', 'shine', 1, 3, 'three'|reading_reads_as_its_parts"
            })
    void nonsenseIsRefusedByName(String values, String constraint) {
        assertThatThrownBy(() -> insert(values)).hasMessageContaining(constraint);
    }

    @Test
    void aSlotHoldsOneStandingReadingAndAKeyIsUsedOnce() {
        insert("8, 'arrival', 'pull', 1, 9, 'amount=9'");
        assertThatThrownBy(() -> insert("8, 'arrival', 'pull', 1, 9.5, 'amount=9.5'"))
                .hasMessageContaining("reading_stands_once");
    }

    @Test
    void aReadingIsNeverRewrittenOrDeletedAndIsStruckOnlyWithWhoWhenWhy() {
        insert("8, 'rinsed', 'pull', 1, 9, 'amount=9'");
        String where = " where stage = 'rinsed' and study_id = " + study.id();
        var database = LiveApp.database();
        assertThatThrownBy(() ->
                        database.sql("update reading set amount = 8" + where).update())
                .hasMessageContaining("never rewritten");
        assertThatThrownBy(() -> database.sql("delete from reading" + where).update())
                .hasMessageContaining("never rewritten");
        assertThatThrownBy(() -> database.sql("update reading set struck_at = now(), struck_by = 'Ana'" + where)
                        .update())
                .hasMessageContaining("reading_is_struck_with_who_when_why");
        assertThat(database.sql("update reading set struck_at = now(), struck_by = 'Ana', struck_because = 'slip'"
                                + where)
                        .update())
                .isEqualTo(1);
        assertThatThrownBy(() -> database.sql("update reading set struck_because = 'other'" + where)
                        .update())
                .hasMessageContaining("never rewritten");
    }

    @Test
    void sectionsOfAStudyNeverOverlapAndHoldOnlyItsOwnContenders() {
        String copy = "insert into section (study_id, contender_id, code, block, x_mm, y_mm, width_mm, height_mm)"
                + " select study_id, contender_id, 'ZZ', block, x_mm + 5, y_mm, width_mm, height_mm from section where id = "
                + section;
        assertThatThrownBy(() -> LiveApp.database().sql(copy).update()).hasMessageContaining("sections_never_overlap");
        assertThatThrownBy(() -> LiveApp.database()
                        .sql("update section set contender_id = (select min(id) from contender where study_id <> :s)"
                                + " where id = :id")
                        .param("s", study.id())
                        .param("id", section)
                        .update())
                .hasMessageContaining("section_holds_a_contender_of_its_study");
    }

    @Test
    void everyChangeRaisesTheRevisionThatAnotherCopyOfTheApplicationWouldSee() {
        StudyStore store = LiveApp.bean(StudyStore.class);
        Study before = store.load(study.id());
        assertThat(store.load(study.id()))
                .as("unchanged, it is not loaded again")
                .isSameAs(before);
        insert("8, 'foamed', 'pull', 1, 9, 'amount=9'");
        Study after = store.load(study.id());
        assertThat(after.revision()).isGreaterThan(before.revision());
        assertThat(after.readings()).hasSize(before.readings().size() + 1);
    }
}
