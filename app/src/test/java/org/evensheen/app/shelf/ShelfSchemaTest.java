package org.evensheen.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.studies.StudyStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What must never stand on the Shelf cannot be stored, whoever asks. */
@ExtendWith(LiveApp.class)
class ShelfSchemaTest {
    private static final String KEY = "gen_random_uuid()";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "bottle (product_id, size_ml, come_by, kept_by, page_key) values (1, 0, 'bought', 'Ana', KEY)|bottle_size_is_real",
                "bottle (product_id, size_ml, come_by, kept_by, page_key) values (1, 500, 'stolen', 'Ana', KEY)|bottle_source_is_known_word",
                "bottle (product_id, size_ml, come_by, come_by_on, opened_on, kept_by, page_key) values (1, 500, 'lent', '2026-05-02', '2026-05-01', 'Ana', KEY)|bottle_is_opened_after_it_came",
                "pour (product_id, kind, product_ml, poured_on, kept_by, page_key) values (1, 'poured', -5, now(), 'Ana', KEY)|pour_takes_something_unless_weighed",
                "pour (product_id, kind, product_ml, poured_on, kept_by, page_key) values (1, 'mixed', 5, now(), 'Ana', KEY)|pour_mix_has_water",
                "pour (product_id, kind, product_ml, poured_on, kept_by, page_key, undone_at) values (1, 'poured', 5, now(), 'Ana', KEY, now())|pour_is_undone_by_somebody",
                "vessel (name, shape, volume_ml, seconds_to_empty) values ('Half told', 'foam-bottle', 1000, 90)|vessel_flow_is_told_whole",
                "vessel (name, shape, volume_ml, seconds_to_empty, nozzle_ml_per_second) values ('Draws more', 'foam-bottle', 1000, 5, 120)|vessel_nozzle_gives_what_it_draws",
                "calibration (product_id, counter, ml_each, grams_lost, count, density, kept_by, page_key) values (1, 'spray', 1, 10, 10, 9, 'Ana', KEY)|calibration_density_is_that_of_a_liquid",
                "ph_strip (product_id, ph, read_on, kept_by, page_key) values (1, 15, now(), 'Ana', KEY)|ph_strip_is_real",
                "bundle (name, price, currency, page_key) values ('Box', 0, 'EUR', KEY)|bundle_costs_something",
                "exchange_rate (base, quote, worth, stated_on, page_key) values ('EUR', 'EUR', 1, now(), KEY)|exchange_rate_is_between_two",
                "application (study_id, contender_id, day, kept_by, page_key) select study_id, min(id), 1, 'Ana', KEY from contender where study_id = 3 group by 1|application_says_something",
                "label (product_id, number, line, written, kept_by, page_key) select product_id, number, line, written, kept_by, KEY from label where id = 1|label_number_stands_once"
            })
    void nonsenseIsRefusedByName(String insert, String constraint) {
        assertThatThrownBy(() -> LiveApp.database()
                        .sql("insert into " + insert.replace("KEY", KEY))
                        .update())
                .hasMessageContaining(constraint);
    }

    @Test
    void aLabelIsNeverRewrittenAndANewOneIsSeenByTheStudiesOfItsProduct() {
        assertThatThrownBy(() -> LiveApp.database()
                        .sql("update label set line = 'pH 7' where id = 1")
                        .update())
                .hasMessageContaining("never rewritten");
        long study = SampleStudy.make().id();
        StudyStore store = LiveApp.bean(StudyStore.class);
        long before = store.load(study).revision();
        SampleProduct.make(SampleProduct.name("Elsewhere"), "soap", "wash 1:100", 0);
        assertThat(store.load(study).revision()).as("another product's label").isEqualTo(before);
        LiveApp.database().sql("""
                        insert into label (product_id, number, line, written, kept_by, page_key)
                        select product_id, max(number) + 1, 'scent tar', 'scent tar', 'Ana', gen_random_uuid() from label
                        where product_id = (select id from product where name = 'Brock Paste') group by product_id""").update();
        var after = store.load(study);
        assertThat(after.revision()).isGreaterThan(before);
        assertThat(after.label(1).orElseThrow().print()).isEqualTo("scent tar");
        LiveApp.database().sql("""
                        insert into label (product_id, number, line, written, kept_by, page_key)
                        select product_id, number + 2, line, written, kept_by, gen_random_uuid() from label
                        where number = 1 and product_id = (select id from product where name = 'Brock Paste')""").update();
    }
}
