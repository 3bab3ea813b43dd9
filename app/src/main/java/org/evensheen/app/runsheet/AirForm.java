package org.evensheen.app.runsheet;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.core.study.TypedNumber;
import org.evensheen.core.weather.Air;
import org.evensheen.core.weather.DryWindow;
import org.evensheen.core.weather.PanelAir;

/** The form for air and panel: what was typed, and what to say of it. */
final class AirForm {
    private AirForm() {}

    /** Reads what was typed; empty, with problems by field, if it can't be. */
    static Optional<RunStore.Conditions> read(RunKeeper.Sent sent, Map<String, String> problems) {
        Optional<Double> air = number(sent, "air", "air temperature", "°C", 60, true, problems);
        Optional<Double> humidity = number(sent, "humidity", "humidity", "%", 100, true, problems);
        Optional<Double> panel = number(sent, "panel", "panel temperature", "°C", 120, true, problems);
        Optional<Double> wind = number(sent, "wind", "wind", "m/s", 60, false, problems);
        Optional<Double> hardness = number(sent, "hardness", "water hardness", "mg/L", 2000, false, problems);
        if (humidity.filter(h -> h <= 0).isPresent()) {
            problems.put("humidity", "Air is never without any water. Type the humidity in %, like 62.");
        }
        if (!problems.isEmpty()) {
            return Optional.empty();
        }
        String light = sent.in("light");
        return Optional.of(new RunStore.Conditions(
                new PanelAir(new Air(air.orElseThrow(), humidity.orElseThrow()), panel.orElseThrow()),
                wind,
                light.matches("sun|shade|indoors") ? light : "",
                hardness,
                sent.at(),
                sent.key()));
    }

    /** Frost is typed with a minus. */
    private static Optional<Double> number(
            RunKeeper.Sent sent,
            String field,
            String what,
            String unit,
            double highest,
            boolean needed,
            Map<String, String> problems) {
        String typed = sent.in(field);
        if (typed.isEmpty() && !needed) {
            return Optional.empty();
        }
        boolean frost = unit.equals("°C") && typed.matches("[-−].*");
        TypedNumber read = TypedNumber.read(frost ? typed.substring(1) : typed, what, unit, 0, frost ? 60 : highest);
        if (read instanceof TypedNumber.Refused refused) {
            problems.put(field, refused.message());
            return Optional.empty();
        }
        double value = ((TypedNumber.Read) read).value();
        return Optional.of(frost ? -value : value);
    }

    /** Short, for the tape. */
    static String note(RunStore.Conditions c) {
        return "%s °C, %s %%, panel %s °C%s"
                .formatted(
                        Figures.typed(c.air().air().celsius()),
                        Figures.typed(c.air().air().humidity()),
                        Figures.typed(c.air().panelCelsius()),
                        c.light().isEmpty() ? "" : ", " + c.light());
    }

    /** What it means. */
    static String said(RunStore.Conditions c, DryWindow.Limits limits) {
        String words = c.air().words(limits).stream().map(PanelAir.Word::text).collect(Collectors.joining(" "));
        return dew(c.air()) + " " + (words.isEmpty() ? "Good to work in." : words);
    }

    static String dew(PanelAir air) {
        return "Dew point %s °C; the panel is %s K above it."
                .formatted(Figures.number(air.air().dewPoint(), 1), Figures.number(air.clearance(), 1));
    }
}
