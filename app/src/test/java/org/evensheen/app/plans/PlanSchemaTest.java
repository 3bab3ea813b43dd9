package org.evensheen.app.plans;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.List;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.dao.DataAccessException;

/** What must never be stored can't be, whoever writes. */
@ExtendWith(LiveApp.class)
class PlanSchemaTest {
    private static void refused(String constraint, String sql) {
        assertThatExceptionOfType(DataAccessException.class)
                .as(sql)
                .isThrownBy(() -> LiveApp.database().sql(sql).update())
                .withMessageContaining(constraint);
    }

    @Test
    void aBedHasARealShape() {
        String bed = "insert into bed (name, width_mm, height_mm, outline, %s) values ('B', 1000, 1000, %s, %s)";
        refused("bed_outline_is_points", bed.formatted("colour", "'0,0 5,5'", "''"));
        refused("bed_kind_is_known", bed.formatted("kind", "null", "'keel'"));
        refused("bed_tilt_is_an_angle", bed.formatted("tilt_deg", "null", "200"));
        refused("bed_hardness_is_known", bed.formatted("hardness", "null", "'brittle'"));
        refused("bed_width_is_real", "insert into bed (name, width_mm, height_mm) values ('B', 20, 1000)");
        refused("bed_zone_kind_is_known", "insert into bed_zone values (1, 'cold', 'x', 0, 0, 10, 10)");
        refused("bed_trim_has_a_name", "insert into bed_trim values (1, ' ', '0,0 5,0 5,5')");
        refused("bed_trim_outline_is_points", "insert into bed_trim values (1, 'cap', 'round')");
    }

    @Test
    void aPlanKeepsItsVersionsAndBecomesOneStudy() {
        long plan = SamplePlan.make(SamplePlan.fair());
        long other = SamplePlan.make(SamplePlan.fair());
        long study = SamplePlan.begin(plan);
        refused("plan_becomes_one_study", "update plan set study_id = %d where id = %d".formatted(study, other));
        refused("never rewritten", "delete from plan_version where plan_id = " + plan);
        String version =
                "insert into plan_version (plan_id, number, back, typed, said, kept_by) values (%d, %s, 'x', 'Ana')";
        refused("plan_version_goes_back", version.formatted(plan, "9, 9, '{}'"));
        refused("plan_version_is_fields", version.formatted(plan, "9, 1, '[]'"));
        refused("plan_version_pkey", version.formatted(plan, "1, 0, '{}'"));
    }

    @Test
    void plannedWorkHasADayAKindAndATitle() {
        String work = "insert into planned_work (study_id, position, day, kind, title, why) values (3, 900, %s, '')";
        refused("planned_work_kind_is_known", work.formatted("3, 'nap', 'Rest'"));
        refused("planned_work_has_a_title", work.formatted("3, 'wash', ' '"));
        refused("planned_work_lies_within_ten_years", work.formatted("9000, 'wash', 'Wash'"));
    }

    @Test
    void aRehearsalIsFinishedOnlyWithAResult() {
        long plan = SamplePlan.make(SamplePlan.fair());
        String rehearsal =
                "insert into rehearsal (plan_id, version, run, total, done, state, result) values (%d, 1, gen_random_uuid(), %s)";
        refused("rehearsal_is_finished_with_a_result", rehearsal.formatted(plan, "10, 10, 'finished', null"));
        refused("rehearsal_is_finished_with_a_result", rehearsal.formatted(plan, "10, 3, 'running', '{}'"));
        refused("rehearsal_counts", rehearsal.formatted(plan, "10, 11, 'running', null"));
        refused("rehearsal_state_is_known", rehearsal.formatted(plan, "10, 1, 'paused', null"));
    }

    @Test
    void aForecastIsEarthlyAndTheCalendarHasOneAddress() {
        long forecast = LiveApp.database()
                .sql("insert into forecast (kept_by, page_key) values ('Ana', gen_random_uuid()) returning id")
                .query(Long.class)
                .single();
        for (String hour : List.of("70, 50, 0, null", "10, 101, 0, null", "10, 50, -1, null", "10, 50, 0, 130")) {
            refused("forecast_", "insert into forecast_hour values (%d, now(), %s)".formatted(forecast, hour));
        }
        assertThatCode(() -> LiveApp.database()
                        .sql("delete from forecast where id = " + forecast)
                        .update())
                .doesNotThrowAnyException();
        refused("calendar_feed_is_one", "insert into calendar_feed (id) values (2)");
        refused("contender_layer_is_from_one", "insert into contender_layer values (1, 0, 1)");
    }
}
