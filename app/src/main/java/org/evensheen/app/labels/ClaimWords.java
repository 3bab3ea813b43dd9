package org.evensheen.app.labels;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.evensheen.app.page.Figures;
import org.evensheen.app.page.Units;
import org.evensheen.core.label.Claim;
import org.evensheen.core.label.Label;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Reading;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.UnitSystem;

/**
 * A claim in words.
 *
 * @param title what it is about
 * @param says what the label says, as written
 * @param means what that comes to; may be empty
 */
public record ClaimWords(String title, String says, String means) {

    /** Every claim of a label in its order. */
    public static List<ClaimWords> of(Label label, List<Calibration> calibrations) {
        return label.claims().stream().map(c -> of(c, calibrations)).toList();
    }

    /** A claim, with what its doses come to by these calibrations. */
    public static ClaimWords of(Claim claim, List<Calibration> calibrations) {
        if (claim instanceof Claim.Use use) {
            return new ClaimWords(
                    use.name().isEmpty() ? "Use" : capital(use.name()),
                    use.dose().print(),
                    means(use.dose(), calibrations));
        }
        if (claim instanceof Claim.Wait wait) {
            return new ClaimWords("Spread and wait", after(wait.print(), "wait "), "");
        }
        if (claim instanceof Claim.Finish finish) {
            return new ClaimWords(
                    "Then",
                    switch (finish.how()) {
                        case BUFF -> "buff";
                        case NO_BUFF -> "leave it; no buffing";
                        case RINSE_OFF -> "rinse off";
                    },
                    "");
        }
        if (claim instanceof Claim.KeepDry dry) {
            return new ClaimWords("Keep dry for", after(dry.print(), "dry "), "");
        }
        if (claim instanceof Claim.NextLayer next) {
            return new ClaimWords("Next layer after", after(next.print(), "next layer "), "");
        }
        if (claim instanceof Claim.Lasts lasts) {
            Span weeks = lasts.weeks();
            return new ClaimWords(
                    "Said to last",
                    after(lasts.print(), "lasts "),
                    lasts.print().contains("week") ? "" : "%s weeks".formatted(round(weeks)));
        }
        if (claim instanceof Claim.LastsWashes lasts) {
            return new ClaimWords("Said to last", after(lasts.print(), "lasts "), "");
        }
        return rest(claim);
    }

    private static ClaimWords rest(Claim claim) {
        if (claim instanceof Claim.SectionSize size) {
            return new ClaimWords(
                    "Section",
                    after(size.print(), "section "),
                    Figures.withUnit(Figures.compact(size.width() * size.height() / 10_000, 2), "m²"));
        }
        if (claim instanceof Claim.PanelTemperature panel) {
            UnitSystem other = panel.fahrenheit() ? UnitSystem.METRIC : UnitSystem.US;
            UnitSystem.Shown shown = other.shown("°C");
            String limits = panel.lowCelsius()
                            .map(c -> "from " + Figures.number(shown.of(c), 0))
                            .orElse("")
                    + panel.highCelsius()
                            .map(c -> " to " + Figures.number(shown.of(c), 0))
                            .orElse("");
            boolean news = panel.fahrenheit() || Units.now() == UnitSystem.US;
            return new ClaimWords(
                    "Panel",
                    after(panel.print(), "panel "),
                    news ? Figures.withUnit(limits.strip(), shown.unit()) : "");
        }
        if (claim instanceof Claim.Sun sun) {
            return new ClaimWords("Sun", sun.allowed() ? "allowed" : "not in the sun", "");
        }
        if (claim instanceof Claim.For on) {
            return new ClaimWords("For", after(on.print(), "for "), "");
        }
        if (claim instanceof Claim.NotFor not) {
            return new ClaimWords("Not for", after(not.print(), "not for "), "");
        }
        if (claim instanceof Claim.Ph ph) {
            double middle = ph.value().middle();
            return new ClaimWords(
                    "pH",
                    after(ph.print(), "pH "),
                    middle < 6 ? "acid side" : middle > 8 ? "alkaline side" : "about neutral");
        }
        if (claim instanceof Claim.Offer offer) {
            return new ClaimWords(
                    "Sold as",
                    offer.sized(),
                    offer.price()
                            .map(p -> "%s, %s a litre"
                                    .formatted(
                                            Figures.money(p),
                                            Figures.money(p.over(offer.ml()).times(1000))))
                            .orElse("no price told"));
        }
        if (claim instanceof Claim.Renew renew) {
            return new ClaimWords("Put on again", after(renew.print(), "renew "), "");
        }
        if (claim instanceof Claim.Yield does) {
            return new ClaimWords("Said to do", after(does.print(), "does "), "");
        }
        if (claim instanceof Claim.NoMarks) {
            return new ClaimWords("Marks", "none", "only soft dark paint can show it");
        }
        if (claim instanceof Claim.Keeps keeps) {
            return new ClaimWords("Keeps, once opened", after(keeps.print(), "keeps "), "");
        }
        if (claim instanceof Claim.MixKeeps keeps) {
            return new ClaimWords("Keeps, once mixed", after(keeps.print(), "mix keeps "), "");
        }
        if (claim instanceof Claim.Scent scent) {
            return new ClaimWords("Scent", scent.of().isEmpty() ? "none" : scent.of(), "");
        }
        if (claim instanceof Claim.Caution caution) {
            return new ClaimWords("Caution", after(caution.print(), "caution "), "");
        }
        return new ClaimWords("Coats", claim.print(), "");
    }

    /** Where a label contradicts itself: "It says “lasts 26 weeks” and “renew every wash”: …". */
    public static List<String> contradictions(Label label) {
        return label.contradictions().stream()
                .map(c ->
                        "It says “%s” and “%s”: both can't be, at one wash a week. What lasts need not be put on again before."
                                .formatted(c.lasts().print(), c.renew().print()))
                .toList();
    }

    private static String means(Dose dose, List<Calibration> calibrations) {
        if (dose instanceof Dose.ReadyToUse) {
            return "as it comes";
        }
        Optional<Span> onPlace = dose.onPlace(calibrations);
        if (onPlace.isPresent()) {
            return dose instanceof Dose.VolumeOn ? "" : millilitres(onPlace.get());
        }
        if (!dose.mixed() || dose.shares(calibrations).isEmpty()) {
            return dose.countedIn()
                    .map(c -> "weigh a %s once, and this becomes mL".formatted(c.word()))
                    .orElse("");
        }
        String mixed = millilitres(dose.shares(calibrations).orElseThrow().times(1000)) + " a litre";
        return dose instanceof Dose.Dilution d
                ? "%s; %s"
                        .formatted(
                                d.reading() == Reading.PARTS
                                        ? "1 + %s of water".formatted(d.n().written())
                                        : "1 in %s of mix".formatted(d.n().written()),
                                mixed)
                : mixed;
    }

    private static String millilitres(Span ml) {
        return ml.single() ? Figures.millilitres(ml.low()) : Figures.millilitres(ml.low(), ml.high());
    }

    private static String round(Span weeks) {
        return weeks.single()
                ? Figures.number(weeks.low(), 0)
                : Figures.number(weeks.low(), 0) + "–" + Figures.number(weeks.high(), 0);
    }

    private static String after(String printed, String keyword) {
        return printed.startsWith(keyword) ? printed.substring(keyword.length()) : printed;
    }

    private static String capital(String text) {
        return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }
}
