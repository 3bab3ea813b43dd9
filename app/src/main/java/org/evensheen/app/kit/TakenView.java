package org.evensheen.app.kit;

import static org.evensheen.app.page.Figures.svg;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.StringJoiner;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Units;
import org.evensheen.core.footing.FootingReview;
import org.evensheen.core.instruments.Probe;
import org.evensheen.core.instruments.Rested;
import org.evensheen.core.slickness.PullTrace;
import org.evensheen.core.units.UnitSystem;
import org.jspecify.annotations.Nullable;

/**
 * What an instrument gave, for the form that asked.
 *
 * @param fills fields of the form by name, with what goes into them
 * @param how where its uncertainty comes from
 * @param problem why there is nothing; empty if there is
 * @param warning that the instrument's check has lapsed or failed
 */
record TakenView(
        List<Fill> fills,
        String words,
        String how,
        String problem,
        String warning,
        @Nullable Trace trace) {
    /** A field and its text. */
    record Fill(String field, String value) {}

    /**
     * A pull drawn: the line, the plateau as a band, the first peak.
     */
    record Trace(
            String line,
            String bandX,
            String bandWidth,
            String meanY,
            String peakX,
            String peakY,
            String peak,
            String plateau,
            String slip) {}

    static TakenView lost(String problem) {
        return new TakenView(List.of(), "", "", problem, "", null);
    }

    static TakenView of(Instrument instrument, Taken taken, String field, Instant now) {
        Probe probe = instrument.probe();
        int decimals = probe == Probe.FORCE || probe == Probe.SCALE || probe == Probe.PH ? 2 : 1;
        String value = Figures.typed(
                Double.parseDouble(Figures.number(taken.value(), decimals).replace("\u2212", "-")));
        String own = Units.now().shown(probe.unit()).differs() ? value + " " + probe.unit() : value;
        List<Fill> fills = field.equals("air")
                ? List.of(
                        new Fill("air", own),
                        new Fill(
                                "humidity",
                                taken.second().map(h -> Figures.typed(h)).orElse("")))
                : List.of(
                        new Fill(field, own),
                        new Fill("take", taken.id().toString()),
                        new Fill("by", instrument.name()));
        return new TakenView(
                fills,
                "%s: %s"
                        .formatted(
                                instrument.name(), words(probe, taken.value(), decimals, open(instrument, taken, now))),
                how(instrument, taken, now),
                "",
                warning(instrument, now),
                taken.pull().map(p -> trace(p, taken)).orElse(null));
    }

    private static String words(Probe probe, double value, int decimals, double open) {
        UnitSystem.Shown shown = Units.now().shown(probe.unit());
        String figure = Figures.typed(Double.parseDouble(
                        Figures.bare(value, probe.unit(), decimals).replace("\u2212", "-")))
                + (open > 0 ? " ± " + Figures.compact(open * shown.factor(), 1) : "");
        return probe == Probe.PH ? "pH " + figure : Figures.withUnit(figure, shown.unit());
    }

    /** Standard uncertainty of a value at rest, with what its check allows if that holds; of a pull what its trace says. */
    private static double open(Instrument instrument, Taken taken, Instant now) {
        return new Rested(taken.value(), taken.standard())
                .within(allowed(instrument, now).orElse(0.0));
    }

    private static Optional<Double> allowed(Instrument instrument, Instant now) {
        return warning(instrument, now).isEmpty()
                ? instrument.lastCheck().map(c -> c.against().tolerance())
                : Optional.empty();
    }

    private static String how(Instrument instrument, Taken taken, Instant now) {
        String unit = instrument.probe().unit();
        String shown = (taken.pull().isPresent() ? "the plateau's unrest %s" : "its unrest and its last digit %s")
                .formatted(allowance(taken.standard(), unit));
        return "One standard uncertainty: %s; %s"
                .formatted(
                        shown,
                        allowed(instrument, now)
                                .map(t -> "how true it is, by its check, within %s.".formatted(allowance(t, unit)))
                                .orElse("its accuracy is unknown: it has no valid check."));
    }

    /** A span of values; that of temperatures is in kelvins. */
    private static String allowance(double value, String unit) {
        return Figures.about(value, unit.equals("°C") ? "K" : unit, 2);
    }

    private static String warning(Instrument instrument, Instant now) {
        if (instrument.check().isEmpty()) {
            return "";
        }
        Optional<Instrument.Checked> last = instrument.lastCheck();
        if (last.isEmpty()) {
            return "It was never checked with something known. Check it in the Kit.";
        }
        if (!last.get().held()) {
            return "Its check failed: it said %s for %s. Set it right and check it in the Kit before you trust this."
                    .formatted(
                            Figures.compact(last.get().said(), 4),
                            Figures.compact(last.get().against().shouldBe(), 4));
        }
        return Duration.between(last.get().at(), now).toDays() > FootingReview.GAUGE_CHECK_HOLDS
                ? "Its check is older than eight weeks. Check it in the Kit."
                : "";
    }

    private static Trace trace(PullTrace pull, Taken taken) {
        List<Double> samples = taken.samples();
        double top = Math.max(0.1, samples.stream().mapToDouble(Math::abs).max().orElse(1)) * 1.08;
        double x = 300.0 / Math.max(1, samples.size() - 1);
        double y = 84 / top;
        StringJoiner line = new StringJoiner(" ", "M", "");
        int every = Math.max(1, samples.size() / 300);
        int peakAt = 0;
        for (int i = 0; i < samples.size(); i++) {
            if (i < pull.to() && Math.abs(samples.get(i)) == pull.peak()) {
                peakAt = i;
            }
            if (i % every == 0) {
                line.add(svg(i * x) + "," + svg(90 - Math.abs(samples.get(i)) * y));
            }
        }
        return new Trace(
                line.toString(),
                svg(pull.from() * x),
                svg((pull.to() - pull.from()) * x),
                svg(90 - pull.plateau() * y),
                svg(peakAt * x),
                svg(90 - pull.peak() * y),
                Figures.quantity(pull.peak(), "N", 2),
                pull.uncertainty() > 0
                        ? Figures.bare(pull.plateau(), "N", 2) + " ± " + Figures.quantity(pull.uncertainty(), "N", 2)
                        : Figures.quantity(pull.plateau(), "N", 2),
                Figures.percent(pull.stickSlip()));
    }
}
