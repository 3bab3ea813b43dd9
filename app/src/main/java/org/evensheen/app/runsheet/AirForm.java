package org.evensheen.app.runsheet;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Units;
import org.evensheen.core.measure.TypedReading;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.runsheet.RunDay;
import org.evensheen.core.units.TypedNumber;
import org.evensheen.core.units.UnitSystem;
import org.evensheen.core.weather.Air;
import org.evensheen.core.weather.PanelAir;
import org.evensheen.core.weather.Site;

/** The form for air and panel: what was typed, and what to say of it. */
final class AirForm {
    private static final Pattern CLOCK = Pattern.compile("([01]?\\d|2[0-3])[:.]([0-5]\\d)");

    /** How {@link #dew} is worked out. */
    static final String HOW =
            "The dew point follows from air and humidity after Magnus, with 17.62 and 243.12 °C. ± is what thermometers good to 0.5 K and a hygrometer good to 3 % leave open. 3 K above it are needed, as in ISO 8502-4.";

    private static final double COLDEST = -60;

    private AirForm() {}

    /** Whether a step notes the air; that is kept whenever it comes, whatever the sheet asks by then. */
    static boolean isAir(String step) {
        return step.equals("air") || step.equals("air/apply");
    }

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
        Optional<Instant> dark = dark(sent, problems);
        if (!problems.isEmpty()) {
            return Optional.empty();
        }
        String light = sent.in("light").matches("sun|shade|indoors") ? sent.in("light") : "";
        return Optional.of(new RunStore.Conditions(
                new RunDay.Noted(
                        new PanelAir(new Air(air.orElseThrow(), humidity.orElseThrow()), panel.orElseThrow()),
                        new Site(wind, light.equals("sun"), hardness, dark),
                        sent.at()),
                light,
                sent.key()));
    }

    /** "16:20", or "4.20 pm" as "16.20": today by the server's clock. */
    private static Optional<Instant> dark(RunKeeper.Sent sent, Map<String, String> problems) {
        String typed = sent.in("dark");
        Matcher time = CLOCK.matcher(typed);
        if (typed.isEmpty()) {
            return Optional.empty();
        }
        if (!time.matches()) {
            problems.put("dark", "Type the time the light goes as hours and minutes, like 16:20.");
            return Optional.empty();
        }
        ZonedDateTime now = sent.at().atZone(ZoneId.systemDefault());
        return Optional.of(now.with(LocalTime.of(Integer.parseInt(time.group(1)), Integer.parseInt(time.group(2))))
                .toInstant());
    }

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
        TypedNumber read = UnitSystem.ofCode(sent.in(TypedReading.UNITS))
                .read(typed, what, unit, unit.equals("°C") ? COLDEST : 0, highest);
        if (read instanceof TypedNumber.Refused refused) {
            problems.put(field, refused.message());
            return Optional.empty();
        }
        return Optional.of(((TypedNumber.Read) read).value());
    }

    /** Short, for the tape. */
    static String note(RunStore.Conditions c) {
        UnitSystem units = Units.now();
        return "%s, %s %%, panel %s%s"
                .formatted(
                        units.write(c.noted().air().air().celsius(), "°C"),
                        Figures.typed(c.noted().air().air().humidity()),
                        units.write(c.noted().air().panelCelsius(), "°C"),
                        c.light().isEmpty() ? "" : ", " + c.light());
    }

    /** What it means. */
    static String said(RunDay.Noted noted, List<Entrant> entrants) {
        String words = noted.words(entrants, Units.now()).stream()
                .map(PanelAir.Word::text)
                .collect(Collectors.joining(" "));
        return dew(noted.air()) + " " + (words.isEmpty() ? "Good to work in." : words);
    }

    static String dew(PanelAir air) {
        return "Dew point %s; the panel is %s ± %s above it."
                .formatted(
                        Figures.quantity(air.air().dewPoint(), "°C", 1),
                        Figures.bare(air.clearance(), "K", 1),
                        Figures.quantity(air.clearanceUncertainty(), "K", 1));
    }
}
