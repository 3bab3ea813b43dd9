package org.evensheen.core.weather;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A run of forecast hours in which work keeps dry: no rain, and the panel far enough above the dew point and within the label's
 * limits.
 *
 * @param from start of the first hour
 * @param until end of the last hour
 */
public record DryWindow(Instant from, Instant until) {
    private static final Duration HOUR = Duration.ofHours(1);

    /**
     * One hour of a forecast.
     *
     * @param at its start
     * @param rainMm rain in it, mm
     * @param panelCelsius the panel's temperature; taken as the air's where the forecast has none
     */
    public record Hour(Instant at, Air air, double rainMm, Optional<Double> panelCelsius) {
        double panel() {
            return panelCelsius.orElse(air.celsius());
        }
    }

    /**
     * Limits of the panel's temperature, °C.
     */
    public record Limits(Optional<Double> low, Optional<Double> high) {
        public static final Limits NONE = new Limits(Optional.empty(), Optional.empty());

        boolean hold(double celsius) {
            return low.filter(l -> celsius < l).isEmpty()
                    && high.filter(h -> celsius > h).isEmpty();
        }
    }

    public double hours() {
        return Duration.between(from, until).toMinutes() / 60.0;
    }

    public boolean holds(Instant start, double hours) {
        return !start.isBefore(from)
                && !start.plusSeconds(Math.round(hours * 3600)).isAfter(until);
    }

    /**
     * Windows of a forecast that are long enough for work and cure, in order. An hour that the forecast leaves out ends a window:
     * nothing is known of it.
     *
     * @param workHours hours in which the panel must be right for work: dry, clear of the dew point, within limits
     * @param cureHours hours after them that must only be dry and clear of the dew point
     */
    public static List<DryWindow> in(List<Hour> forecast, Limits limits, double workHours, double cureHours) {
        List<DryWindow> windows = new ArrayList<>();
        for (List<Hour> run : dryRuns(forecast)) {
            Instant until = run.get(run.size() - 1).at().plus(HOUR);
            first(run, limits, workHours)
                    .map(start -> new DryWindow(start, until))
                    .filter(w -> w.hours() >= workHours + cureHours)
                    .ifPresent(windows::add);
        }
        return windows;
    }

    private static List<List<Hour>> dryRuns(List<Hour> forecast) {
        List<List<Hour>> runs = new ArrayList<>();
        Optional<Hour> before = Optional.empty();
        for (Hour hour :
                forecast.stream().sorted(Comparator.comparing(Hour::at)).toList()) {
            if (dry(hour)) {
                if (before.filter(b -> dry(b) && b.at().plus(HOUR).equals(hour.at()))
                        .isEmpty()) {
                    runs.add(new ArrayList<>());
                }
                runs.get(runs.size() - 1).add(hour);
            }
            before = Optional.of(hour);
        }
        return runs;
    }

    /** The first hour of a dry run from which the panel keeps within limits for the work. */
    private static Optional<Instant> first(List<Hour> run, Limits limits, double workHours) {
        int need = (int) Math.ceil(workHours);
        for (int i = 0; i + need <= run.size(); i++) {
            if (run.subList(i, i + need).stream().allMatch(h -> limits.hold(h.panel()))) {
                return Optional.of(run.get(i).at());
            }
        }
        return Optional.empty();
    }

    private static boolean dry(Hour hour) {
        return hour.rainMm() == 0 && hour.air().clears(hour.panel());
    }
}
