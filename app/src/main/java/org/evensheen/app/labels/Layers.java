package org.evensheen.app.labels;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.evensheen.core.cautions.Acidity;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.label.Label;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.planning.Entrant;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Reads the layers of a contender from the JSON in which a statement on studies gives them. */
@Component
public class Layers {
    private final ProductStore products;
    private final JsonMapper json;

    Layers(ProductStore products, JsonMapper json) {
        this.products = products;
        this.json = json;
    }

    /** A product as it comes from the database. */
    private record Row(
            String name,
            @Nullable Long label,
            @Nullable String line,
            @Nullable BigDecimal strip,
            Map<String, BigDecimal> calibrations) {}

    /** Layers from the paint outwards; none for nothing. */
    public List<Entrant.Layer> read(@Nullable String layers) {
        return layers == null
                ? List.of()
                : Arrays.stream(json.readValue(layers, Row[].class))
                        .map(this::layer)
                        .toList();
    }

    private Entrant.Layer layer(Row row) {
        Label label = row.label == null || row.line == null ? Label.BLANK : products.label(row.label, row.line);
        TreeSet<Hazard> hazards = new TreeSet<>(label.hazards());
        if (row.strip != null) {
            Acidity.hazard(row.strip.doubleValue()).ifPresent(hazards::add);
        }
        List<Calibration> calibrations = new ArrayList<>();
        row.calibrations.forEach((counter, ml) ->
                calibrations.add(new Calibration(Counter.named(counter).orElseThrow(), ml.doubleValue())));
        return new Entrant.Layer(row.name, label, hazards, calibrations);
    }
}
