package org.evensheen.app.plans;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.evensheen.app.page.Sheet;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.weather.Air;
import org.evensheen.core.weather.DryWindow.Hour;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads a forecast from CSV or JSON: a row an hour with time, air (temperature), humidity, rain, and panel if known. °F is read
 * where the column says so: air_f, panel_f. docs/formats.md has it.
 */
public final class ForecastFile {
    private static final int MOST = 24 * 31;
    private static final List<String> COLUMNS =
            List.of("air_c", "air_f", "panel_c", "panel_f", "humidity", "rain_mm", "rain_in");

    /** What became of a file: hours, or what is wrong with it. */
    public record Outcome(List<Hour> hours, List<String> problems) {}

    private ForecastFile() {}

    public static Outcome read(byte[] file, ZoneId zone, JsonMapper json) {
        String text = new String(file, StandardCharsets.UTF_8).strip();
        if (text.startsWith("[") || text.startsWith("{")) {
            return json(text, zone, json);
        }
        Sheet sheet = Sheet.read(file, List.of("time"), COLUMNS, MOST);
        return sheet.problems().isEmpty()
                ? hours(
                        sheet.rows().stream()
                                .map(r -> new Row("Line " + r.line(), r.byColumn()))
                                .toList(),
                        zone)
                : new Outcome(List.of(), sheet.problems());
    }

    private record Row(String where, Map<String, String> cells) {
        String at(String column) {
            return cells.getOrDefault(column, "").strip();
        }
    }

    private static Outcome json(String text, ZoneId zone, JsonMapper json) {
        try {
            JsonNode root = json.readTree(text);
            JsonNode list = root.isArray() ? root : root.path("hours");
            if (!list.isArray()) {
                return new Outcome(List.of(), List.of("The file holds no list of hours: [{\"time\": …}, …]."));
            }
            List<Row> rows = new ArrayList<>();
            for (JsonNode each : list) {
                Map<String, String> cells = new LinkedHashMap<>();
                each.properties()
                        .forEach(e -> cells.put(e.getKey(), e.getValue().asString("")));
                rows.add(new Row("Hour " + (rows.size() + 1), cells));
            }
            return rows.size() > MOST
                    ? new Outcome(
                            List.of(), List.of("More than %d hours. Take the next month at most.".formatted(MOST)))
                    : hours(rows, zone);
        } catch (JacksonException e) {
            return new Outcome(
                    List.of(), List.of("The file breaks off or is no JSON. Fetch it again; nothing was stored."));
        }
    }

    private static Outcome hours(List<Row> rows, ZoneId zone) {
        List<Hour> hours = new ArrayList<>();
        List<String> problems = new ArrayList<>();
        Set<Instant> seen = new HashSet<>();
        for (Row row : rows) {
            try {
                Instant at = time(row.at("time"), zone);
                if (!seen.add(at)) {
                    throw new IllegalArgumentException("the hour is listed twice");
                }
                hours.add(new Hour(at, new Air(air(row), number(row, "humidity", 1)), rain(row), panel(row)));
            } catch (IllegalArgumentException e) {
                problems.add("%s: %s.".formatted(row.where(), e.getMessage()));
            }
        }
        if (hours.isEmpty() && problems.isEmpty()) {
            problems.add("The file holds no hours.");
        }
        return problems.isEmpty()
                ? new Outcome(hours, List.of())
                : new Outcome(List.of(), problems.stream().limit(5).toList());
    }

    private static Instant time(String text, ZoneId zone) {
        try {
            Instant time = text.matches(".*(Z|[+-]\\d\\d:?\\d\\d)$")
                    ? OffsetDateTime.parse(text.replace(' ', 'T')).toInstant()
                    : LocalDateTime.parse(text.replace(' ', 'T')).atZone(zone).toInstant();
            if (!OurTime.holds(time)) {
                throw new IllegalArgumentException(
                        "“%s” lies outside the years 1990 to 2199".formatted(Sheet.shown(text)));
            }
            return time;
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException(
                    "“%s” is no time; write it like 2026-11-28T14:00".formatted(Sheet.shown(text)));
        }
    }

    private static double air(Row row) {
        double celsius = row.at("air_c").isEmpty() && !row.at("air_f").isEmpty()
                ? (number(row, "air_f", 1) - 32) / 1.8
                : number(row, "air_c", 1);
        if (celsius > 50) {
            throw new IllegalArgumentException(String.format(
                    Locale.ROOT, "air of %.0f °C can't be; if it is in °F, name the column air_f", celsius));
        }
        return celsius;
    }

    private static double rain(Row row) {
        return row.at("rain_in").isEmpty() ? number(row, "rain_mm", 1) : number(row, "rain_in", 25.4);
    }

    private static Optional<Double> panel(Row row) {
        if (!row.at("panel_f").isEmpty()) {
            return Optional.of((number(row, "panel_f", 1) - 32) / 1.8);
        }
        return row.at("panel_c").isEmpty() ? Optional.empty() : Optional.of(number(row, "panel_c", 1));
    }

    private static double number(Row row, String column, double factor) {
        String text = row.at(column);
        try {
            return Double.parseDouble(text.replace(',', '.')) * factor;
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                    text.isEmpty()
                            ? column + " is wanting"
                            : "“%s” is no number for %s".formatted(Sheet.shown(text), column));
        }
    }
}
