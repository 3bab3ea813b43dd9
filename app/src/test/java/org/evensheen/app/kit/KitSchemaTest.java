package org.evensheen.app.kit;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class KitSchemaTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "instrument_address_is_a_port | insert into instrument (name, probe, address, pattern, unit, kept_by, page_key) values ('x1', 'ph', 'http://x', '{value}', 'pH', 'A', gen_random_uuid())",
                "instrument_pattern_wants_a_value | insert into instrument (name, probe, address, pattern, unit, kept_by, page_key) values ('x2', 'ph', 'tcp:x:1', 'F', 'pH', 'A', gen_random_uuid())",
                "instrument_probe_is_known | insert into instrument (name, probe, address, pattern, unit, kept_by, page_key) values ('x3', 'sun', 'tcp:x:1', '{value}', 'pH', 'A', gen_random_uuid())",
                "instrument_is_named_once | insert into instrument (name, probe, address, pattern, unit, kept_by, page_key) values ('FISH scale', 'ph', 'tcp:x:1', '{value}', 'pH', 'A', gen_random_uuid())",
                "instrument_check_is_whole | update instrument set check_value = 1, check_tolerance = null where probe = 'ph'",
                "take_trace_has_a_pace | insert into take (id, instrument_id, amount, samples, said, kept_by) select gen_random_uuid(), min(id), 1, '{1,2}', '', 'A' from instrument",
                "section_photo_stage_is_known | insert into section_photo (study_id, day, stage, picture, small, width, height, at, kept_by, page_key) select min(id), 1, 'noon', '', '', 1, 1, now(), 'A', gen_random_uuid() from study",
                "section_photo_lies_within_ten_years | insert into section_photo (study_id, day, stage, picture, small, width, height, at, kept_by, page_key) select min(id), -1, 'fresh', '', '', 1, 1, now(), 'A', gen_random_uuid() from study",
                "happening_is_undone_by_somebody | update happening set undone_at = now() where id = (select min(id) from happening)",
                "application_given_is_short | update application set given = repeat('x', 201) where id = (select min(id) from application)",
                "conditions_panel_is_earthly | insert into conditions (study_id, day, air_c, humidity, panel_c, at, kept_by, page_key) select min(id), 1, 20, 50, 300, now(), 'A', gen_random_uuid() from study",
                "step_mark_names_a_step | insert into step_mark (study_id, day, step, at, kept_by, page_key) select min(id), 1, 'a b', now(), 'A', gen_random_uuid() from study"
            })
    void refusesWhatMustNeverBeByANameThatReadsWell(String constraint, String sql) {
        SampleStudy.make();
        assertThatThrownBy(() -> LiveApp.database().sql(sql).update()).hasMessageContaining(constraint.strip());
    }
}
