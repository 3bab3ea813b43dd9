package org.evensheen.app.mixer;

import java.util.UUID;
import org.evensheen.app.page.Hands;
import org.evensheen.core.mixing.Calibration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Caps, pumps and sprays that were weighed. */
@Component
class CalibrationStore {
    private final JdbcClient database;

    CalibrationStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * Keeps a calibration, once by the page's key.
     *
     * @param grams mass that the bottle lost, g
     * @param count how many caps, pumps or sprays that was
     * @param density g/mL
     */
    void keep(long product, Calibration weighed, double grams, int count, double density, UUID key, Hands hands) {
        database.sql("""
                        insert into calibration (product_id, counter, ml_each, grams_lost, count, density, kept_by, page_key)
                        values (:product, :counter, :ml, :grams, :count, :density, :by, :key)
                        on conflict (page_key) do nothing""")
                .param("product", product)
                .param("counter", weighed.counter().word())
                .param("ml", weighed.mlEach())
                .param("grams", grams)
                .param("count", count)
                .param("density", density)
                .param("by", hands.name())
                .param("key", key)
                .update();
    }
}
