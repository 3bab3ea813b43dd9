package org.evensheen.app.kit;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.evensheen.app.kit.Link.Lost;
import org.evensheen.core.instruments.LinePattern;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.instruments.Rested;
import org.evensheen.core.instruments.Steadiness;
import org.evensheen.core.slickness.PullTrace;

/**
 * One reading by an instrument: opens the line, listens until there is a value that can be trusted, and says why if there is none. A
 * force gauge gives a whole pull; a scale, a thermometer and a pH meter are waited for until they rest.
 */
final class Taking {
    private static final Duration SILENCE = Duration.ofSeconds(4);
    private static final double LONGEST = 25;
    private static final double LONGEST_PULL = 15;
    /** A pull has begun above this, N; below a fifth of its top for a while it is over. */
    private static final double LOADED = 0.5;

    private static final double OVER = 0.2;
    private static final double REST_AFTER = 0.35;
    /** A gauge that shows more than this with nothing pulling has drifted, N. */
    private static final double ZERO = 0.3;

    private static final int MOST_SAMPLES = 20_000;
    private static final int RUBBISH = 12;
    /** A line of an instrument is shown so far: a reading needs no more, and what is no instrument shall not be read through this. */
    private static final int MOST_SHOWN = 40;

    private final Instrument instrument;
    private final boolean still;
    private int rubbish;
    private String said = "";

    private Taking(Instrument instrument, boolean still) {
        this.instrument = instrument;
        this.still = still;
    }

    /** A line with its value in the probe's unit, at a time in seconds. */
    private record Heard(double at, double value, double step, Optional<Double> second, boolean steady) {}

    /** Takes a reading. */
    static Taken take(Instrument instrument) throws Lost {
        return new Taking(instrument, false).run();
    }

    /** Takes a value at rest, for a check; of a force gauge with a weight on its hook too. */
    static Taken atRest(Instrument instrument) throws Lost {
        return new Taking(instrument, true).run();
    }

    private Taken run() throws Lost {
        try (Link link = Link.open(instrument)) {
            if (!instrument.asks().isEmpty()) {
                link.send(instrument.asks());
            }
            return instrument.probe() == Probe.FORCE && !still ? pull(link) : rest(link);
        }
    }

    /** The next line that fits; what does not fit is borne for a while, as a line may be joined in its middle. */
    private Heard hear(Link link, long began) throws Lost {
        while (true) {
            Optional<String> line = link.next(SILENCE);
            if (line.isEmpty()) {
                throw new Lost("%s %s. Is it awake, and sending? You can type the reading."
                        .formatted(
                                instrument.name(),
                                rubbish > 0 ? "sends no whole line" : "has said nothing for 4 seconds"));
            }
            double at = (System.nanoTime() - began) / 1e9;
            if (at > LONGEST) {
                throw new Lost(String.format(
                        Locale.ROOT,
                        "%s did not come to rest within %.0f s. Shield it from wind and hands, and take again.",
                        instrument.name(),
                        LONGEST));
            }
            Optional<LinePattern.Line> fits = instrument.pattern().read(line.get());
            if (fits.isEmpty()) {
                if (++rubbish >= RUBBISH) {
                    throw new Lost(
                            "%s sends lines that don't fit its pattern %s. The last was “%s”. Test it in the Kit, or type the reading."
                                    .formatted(instrument.name(), instrument.pattern(), shortened(line.get())));
                }
                continue;
            }
            rubbish = 0;
            said = shortened(line.get());
            return new Heard(
                    at,
                    value(fits.get()),
                    step(fits.get()),
                    fits.get().second(),
                    fits.get().steady());
        }
    }

    private double value(LinePattern.Line line) throws Lost {
        String unit = line.unit().orElse(instrument.unit());
        Probe probe = instrument.probe();
        Optional<Double> value = probe.canonical(line.value(), unit);
        Optional<Double> one = probe.canonical(1, unit);
        Optional<Double> wanted = probe.canonical(1, instrument.unit());
        if (value.isEmpty() || !one.equals(wanted)) {
            throw new Lost("%s speaks in %s; its link says %s. Set the instrument to %s, or change the link in the Kit."
                    .formatted(instrument.name(), unit, instrument.unit(), instrument.unit()));
        }
        if (!probe.plausible(value.get())) {
            throw new Lost("%s says %s, which no %s can have read: it lies between %s and %s %s. Check its display."
                    .formatted(
                            instrument.name(),
                            said,
                            probe.label().toLowerCase(Locale.ROOT),
                            probe.lowest(),
                            probe.highest(),
                            probe.unit()));
        }
        return value.get();
    }

    /** The last digit's step in the probe's unit. */
    private double step(LinePattern.Line line) {
        String unit = line.unit().orElse(instrument.unit());
        Probe probe = instrument.probe();
        return probe.canonical(line.step(), unit).orElse(0.0)
                - probe.canonical(0, unit).orElse(0.0);
    }

    private Taken rest(Link link) throws Lost {
        long began = System.nanoTime();
        Steadiness steadiness = switch (instrument.probe()) {
            case SCALE -> new Steadiness(0.8, 0.06);
            case FORCE -> new Steadiness(0.8, 0.12);
            case PH -> new Steadiness(0.8, 0.03);
            default -> new Steadiness(0.6, 0.4);
        };
        while (true) {
            Heard heard = hear(link, began);
            boolean tells = instrument.pattern().tellsSteady();
            Optional<Rested> shown = Optional.of(Rested.shown(heard.value(), 0, heard.step()));
            Optional<Rested> steady = tells
                    ? shown.filter(s -> heard.steady())
                    : instrument.asks().isEmpty() ? steadiness.add(heard.at(), heard.value(), heard.step()) : shown;
            if (steady.isPresent()) {
                return new Taken(
                        UUID.randomUUID(),
                        steady.get().value(),
                        steady.get().standard(),
                        heard.second(),
                        Optional.empty(),
                        List.of(),
                        0,
                        said);
            }
        }
    }

    private Taken pull(Link link) throws Lost {
        long began = System.nanoTime();
        List<Double> newtons = new ArrayList<>();
        double from = 0;
        double quiet = -1;
        double top = 0;
        double zero = 0;
        int before = 0;
        while (newtons.size() < MOST_SAMPLES) {
            Heard heard = hear(link, began);
            double force = heard.value();
            if (newtons.isEmpty() && Math.abs(force) < LOADED + ZERO) {
                zero += force;
                before++;
                if (before >= 8 && Math.abs(zero / before) > ZERO) {
                    throw new Lost(String.format(
                            Locale.ROOT,
                            "%s shows %.2f N with nothing pulling. Set it to zero, then take again.",
                            instrument.name(),
                            zero / before));
                }
                continue;
            }
            from = newtons.isEmpty() ? heard.at() : from;
            newtons.add(force);
            top = Math.max(top, Math.abs(force));
            quiet = Math.abs(force) > top * OVER ? -1 : quiet < 0 ? heard.at() : quiet;
            boolean over = quiet >= 0 && heard.at() - quiet >= REST_AFTER;
            if (!over && before == 0 && heard.at() - from > LONGEST_PULL) {
                throw new Lost(
                        "%s showed a load from the first line and never let go of it. Take off what hangs on it or set it to zero, then take again and pull."
                                .formatted(instrument.name()));
            }
            if (over || heard.at() - from > LONGEST_PULL) {
                return pulled(newtons, newtons.size() / Math.max(0.1, heard.at() - from));
            }
        }
        throw new Lost("%s sends more than can be taken in. Lower its rate.".formatted(instrument.name()));
    }

    private Taken pulled(List<Double> newtons, double hertz) throws Lost {
        try {
            PullTrace trace = PullTrace.of(newtons);
            return new Taken(
                    UUID.randomUUID(),
                    trace.plateau(),
                    trace.uncertainty(),
                    Optional.empty(),
                    Optional.of(trace),
                    newtons,
                    hertz,
                    said);
        } catch (PullTrace.NoPull e) {
            throw new Lost(String.valueOf(e.getMessage()), e);
        }
    }

    /** Raw lines as they come, for a look; at most some seconds' worth. */
    static List<String> listen(Instrument instrument, int most, Duration within) throws Lost {
        List<String> lines = new ArrayList<>();
        long until = System.nanoTime() + within.toNanos();
        try (Link link = Link.open(instrument)) {
            if (!instrument.asks().isEmpty()) {
                link.send(instrument.asks());
            }
            while (lines.size() < most && System.nanoTime() < until) {
                link.next(Duration.ofNanos(Math.max(1, until - System.nanoTime())))
                        .map(Taking::shortened)
                        .ifPresent(lines::add);
            }
        }
        return lines;
    }

    private static String shortened(String line) {
        String plain = line.replaceAll("[^\\p{L}\\p{N} -~°µ²]", "·");
        return plain.length() <= MOST_SHOWN ? plain : plain.substring(0, MOST_SHOWN) + "…";
    }
}
