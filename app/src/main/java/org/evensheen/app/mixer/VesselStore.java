package org.evensheen.app.mixer;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What mixes are made in. */
@Component
class VesselStore {
    private final JdbcClient database;

    VesselStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * A vessel.
     *
     * @param flow how a foam bottle empties, if it was timed
     * @param lastProduct whose mix it held last, if any is logged
     */
    record Vessel(
            long id,
            String name,
            String shape,
            double volumeMl,
            Optional<Flow> flow,
            Optional<Long> lastProduct,
            Optional<LocalDate> lastOn) {
        boolean foams() {
            return shape.equals("foam-bottle");
        }
    }

    /** Seconds to empty it, and mL a second at the nozzle. */
    record Flow(double seconds, double nozzleMlPerSecond) {}

    /** Every vessel, in the order they came. */
    List<Vessel> all() {
        return database.sql("""
                        select v.id, v.name, v.shape, v.volume_ml, v.seconds_to_empty, v.nozzle_ml_per_second,
                               last.product_id, last.poured_on
                        from vessel v
                        left join lateral (
                            select product_id, poured_on from pour p
                            where p.vessel_id = v.id and p.undone_at is null order by p.id desc limit 1) last on true
                        order by v.id limit 40""")
                .query((row, n) -> {
                    double seconds = row.getDouble("seconds_to_empty");
                    return new Vessel(
                            row.getLong("id"),
                            row.getString("name"),
                            row.getString("shape"),
                            row.getDouble("volume_ml"),
                            seconds > 0
                                    ? Optional.of(new Flow(seconds, row.getDouble("nozzle_ml_per_second")))
                                    : Optional.empty(),
                            Optional.ofNullable(row.getObject("product_id", Long.class)),
                            Optional.ofNullable(row.getObject("poured_on", LocalDate.class)));
                })
                .list();
    }

    /** Keeps a vessel; false if one of that name is there. */
    boolean keep(String name, String shape, double volumeMl) {
        return database.sql("""
                                insert into vessel (name, shape, volume_ml) values (:name, :shape, :volume)
                                on conflict (name) do nothing""")
                        .param("name", name)
                        .param("shape", shape)
                        .param("volume", volumeMl)
                        .update()
                == 1;
    }

    void time(long vessel, Flow flow) {
        database.sql("""
                        update vessel set seconds_to_empty = :seconds, nozzle_ml_per_second = :flow
                        where id = :id and shape = 'foam-bottle'""")
                .param("seconds", flow.seconds)
                .param("flow", flow.nozzleMlPerSecond)
                .param("id", vessel)
                .update();
    }
}
