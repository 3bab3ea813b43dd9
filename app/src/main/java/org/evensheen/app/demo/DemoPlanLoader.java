package org.evensheen.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.BedStore;
import org.evensheen.app.plans.Fields;
import org.evensheen.app.plans.ForecastFile;
import org.evensheen.app.plans.ForecastStore;
import org.evensheen.app.plans.PlanStore;
import org.evensheen.standins.SimulatedWeather;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Draws the demo's beds, fetches a forecast from the stand-in, and leaves a study on paper that is not fair yet. */
@Component
@ConditionalOnProperty("even-sheen.demo")
class DemoPlanLoader {
    private static final String WHO = "Demo";
    private static final long SEED = 60_3210;
    private static final int FORECAST_HOURS = 24 * 9;

    private final BedStore beds;
    private final PlanStore plans;
    private final ForecastStore forecasts;
    private final JsonMapper json;
    private final Clock clock;

    DemoPlanLoader(BedStore beds, PlanStore plans, ForecastStore forecasts, JsonMapper json, Clock clock) {
        this.beds = beds;
        this.plans = plans;
        this.forecasts = forecasts;
        this.json = json;
        this.clock = clock;
    }

    void load(LocalDate today) {
        for (Bed bed : List.of(DemoBeds.bonnet(), DemoBeds.cartWheel())) {
            beds.keep(bed, UUID.randomUUID());
        }
        long flank = beds.keep(DemoBeds.offFlank(), UUID.randomUUID());
        String file = SimulatedWeather.forecast(today.atStartOfDay(), FORECAST_HOURS, SEED);
        forecasts.keep(
                ForecastFile.read(file.getBytes(StandardCharsets.UTF_8), clock.getZone(), json)
                        .hours(),
                UUID.randomUUID(),
                WHO);
        Map<String, String> typed =
                Fields.blank("Which of these five lasts?", String.valueOf(flank), today.plusDays(3), SEED);
        List<String> names = List.of(
                "Osier Spray Seal",
                "Tidewrack Mist Coat",
                "Brock Paste over Osier Spray Seal",
                "Kelter Rinse-On",
                "Gannet Spray Wax");
        for (int i = 0; i < names.size(); i++) {
            typed.put("name" + i, names.get(i));
        }
        typed.put("kind3", "sheets");
        typed.put("source3", "gifted");
        plans.make(typed, UUID.randomUUID(), WHO);
    }
}
