package org.evensheen.app.page;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.comparing.Verdict;
import org.evensheen.core.cost.Money;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Observation;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.units.Unit;
import org.evensheen.core.units.UnitSystem;

/** The one place where numbers become text. Units stand after a narrow no-break space; minus is a true minus. */
public final class Figures {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_OF_YEAR = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final String GAP = "\u202f";
    private static final String MINUS = "\u2212";

    private Figures() {}

    /** A number with fixed decimals. */
    public static String number(double value, int decimals) {
        String text = String.format(Locale.ROOT, "%." + decimals + "f", value);
        if (text.startsWith("-")) {
            String positive = text.substring(1);
            return positive.chars().allMatch(c -> c == '0' || c == '.') ? positive : MINUS + positive;
        }
        return text;
    }

    /** A score of a measure with its unit: 9.8 N, 97°, 112 g/m². */
    public static String score(Measure measure, double value) {
        return quantity(value, measure.scoreUnit(), measure.scoreDecimals());
    }

    /** A number of a metric unit, in the units of whoever looks. */
    public static String quantity(double value, String unit, int decimals) {
        return shown(value, Units.now().shown(unit), decimals);
    }

    /** Its plain number, to stand beside or away from its unit. */
    public static String bare(double value, String unit, int decimals) {
        UnitSystem.Shown shown = Units.now().shown(unit);
        return number(shown.of(value), decimals + shown.finer());
    }

    /** A number of a metric unit to so many significant digits, in the units of whoever looks. */
    public static String about(double value, String unit, int digits) {
        UnitSystem.Shown shown = Units.now().shown(unit);
        return withUnit(compact(shown.of(value), digits), shown.unit());
    }

    /** The sign of a metric unit for whoever looks: N or lbf. */
    public static String unit(String metric) {
        return Units.now().shown(metric).unit();
    }

    /** Width and height along a tape: 1500 × 1000 mm, 59.1 × 39.4 in. */
    public static String size(double widthMm, double heightMm) {
        UnitSystem.Shown tape = Units.now().tape();
        return "%s × %s %s"
                .formatted(
                        compact(tape.of(widthMm), tape.differs() ? 3 : 5),
                        compact(tape.of(heightMm), tape.differs() ? 3 : 5),
                        tape.unit());
    }

    /** What was seen, with its unit: 9.8 N, 2.12×1.6 mm, 3 beads. */
    public static String seen(Observation seen) {
        UnitSystem.Shown shown = Units.now().shown(seen.measure().unit());
        return withUnit(seenBare(seen), shown.unit());
    }

    /** The same where the unit stands elsewhere. */
    public static String seenBare(Observation seen) {
        UnitSystem.Shown shown = Units.now().shown(seen.measure().unit());
        return shown.differs() ? compact(shown.of(seen.amount()), 3) : seen.told();
    }

    private static String shown(double value, UnitSystem.Shown shown, int decimals) {
        return withUnit(number(shown.of(value), decimals + shown.finer()), shown.unit());
    }

    /** A difference of scores, one decimal finer than scores are shown. */
    public static String difference(Measure measure, double value) {
        return quantity(value, measure.scoreUnit(), measure.scoreDecimals() + 1);
    }

    /** Text with a unit after it. */
    public static String withUnit(String number, String unit) {
        return unit.equals("°") ? number + unit : number + GAP + unit;
    }

    /** What was typed, with no more digits than were typed. */
    public static String typed(double amount) {
        return new java.math.BigDecimal(Double.toString(amount))
                .stripTrailingZeros()
                .toPlainString();
    }

    public static String percent(double share) {
        return number(share * 100, 0) + GAP + "%";
    }

    /** "41 % to 52 %" as "41–52 %". */
    public static String percentRange(Interval interval) {
        return range(number(interval.low() * 100, 0), number(interval.high() * 100, 0)) + GAP + "%";
    }

    public static String scoreRange(Measure measure, Interval interval) {
        return range(measure, interval.low(), interval.high(), measure.scoreDecimals());
    }

    /** A difference as a verdict tells it: in the score unit, or as a ratio. */
    public static String told(Measure measure, Verdict.Told told) {
        return told.ratio() ? times(told.value()) : difference(measure, told.value());
    }

    /** Its interval. */
    public static String toldRange(Measure measure, Verdict.Told told) {
        if (told.ratio()) {
            return significant(told.low(), 2) + "–" + times(told.high());
        }
        return range(measure, told.low(), told.high(), measure.scoreDecimals() + 1);
    }

    private static String range(Measure measure, double low, double high, int decimals) {
        String unit = measure.scoreUnit();
        return withUnit(range(bare(low, unit, decimals), bare(high, unit, decimals)), unit(unit));
    }

    /** A size of a difference: in the score unit, or as a ratio. */
    public static String size(Measure measure, double told) {
        return measure.scale() == Scale.LOG ? times(told) : difference(measure, told);
    }

    /** From one figure to another: 7–11. */
    public static String range(String low, String high) {
        return low.startsWith(MINUS) || high.startsWith(MINUS) ? low + " to " + high : low + "–" + high;
    }

    /** A p value: three decimals, or "< 0.001". */
    public static String p(double p) {
        return p < 0.001 ? "< 0.001" : p >= 0.9995 ? "1" : number(p, 3);
    }

    /** A benefit in the measure's own terms: a share of bare, how many times as much, or a difference. */
    public static String benefit(Measure measure, double value) {
        return measure.benefitIsShare()
                ? percent(value)
                : measure.scale() == Scale.LOG ? times(value) : score(measure, value);
    }

    /** Its interval, or that there is none. */
    public static String benefitRange(Measure measure, Optional<Interval> interval) {
        return interval.map(i -> measure.benefitIsShare()
                        ? percentRange(i)
                        : measure.scale() == Scale.LOG
                                ? significant(i.low(), 2) + "–" + times(i.high())
                                : scoreRange(measure, i))
                .orElse("no interval");
    }

    /** "1 section", "3 sections". */
    public static String count(long number, String one, String several) {
        return number + " " + (number == 1 ? one : several);
    }

    /** A number to so many significant digits, thousands set off: 49.8, 8.20, 11 950. */
    public static String significant(double value, int digits) {
        if (value == 0) {
            return "0";
        }
        java.math.BigDecimal rounded = new java.math.BigDecimal(value).round(new java.math.MathContext(digits));
        int decimals = Math.max(0, digits - rounded.precision() + rounded.scale());
        return grouped(rounded.setScale(decimals, java.math.RoundingMode.UNNECESSARY));
    }

    /** The same without zeros at its end: 8.2, 50, 11 950. */
    public static String compact(double value, int digits) {
        java.math.BigDecimal rounded = new java.math.BigDecimal(value)
                .round(new java.math.MathContext(digits))
                .stripTrailingZeros();
        return grouped(rounded.scale() < 0 ? rounded.setScale(0) : rounded);
    }

    private static String grouped(java.math.BigDecimal value) {
        String plain = value.toPlainString().replace("-", MINUS);
        int point = plain.indexOf('.') < 0 ? plain.length() : plain.indexOf('.');
        StringBuilder text = new StringBuilder(plain);
        for (int i = point - 3; i > 0 && Character.isDigit(plain.charAt(i - 1)); i -= 3) {
            text.insert(i, GAP);
        }
        return text.toString();
    }

    /** mL as a measuring cup can show them: three digits, whole ones from 100 on; US fl oz from half of one on for whoever uses them. */
    public static String millilitres(double ml) {
        return inOunces(ml) ? usOunces(ml) : metricMillilitres(ml);
    }

    /** The same amount in the units that the person does not use, for who pours by the other cup. */
    public static String otherwise(double ml) {
        return inOunces(ml) ? metricMillilitres(ml) : usOunces(ml);
    }

    /** Two amounts as one: 30–60 mL. */
    public static String millilitres(double low, double high) {
        boolean ounces = inOunces(low);
        UnaryOperator<String> digits = text -> text.substring(0, text.lastIndexOf(GAP + (ounces ? "US" : "mL")));
        return withUnit(
                digits.apply(ounces ? usOunces(low) : metricMillilitres(low)) + "–"
                        + digits.apply(ounces ? usOunces(high) : metricMillilitres(high)),
                ounces ? Unit.US_FLUID_OUNCE.symbol() : "mL");
    }

    /** Less is told in mL to everybody, as syringes and caps are marked. */
    private static boolean inOunces(double ml) {
        return Units.now() == UnitSystem.US && Math.abs(ml) >= Unit.US_FLUID_OUNCE.toCanonical(0.5);
    }

    private static String metricMillilitres(double ml) {
        return withUnit(ml >= 100 ? grouped(new java.math.BigDecimal(Math.round(ml))) : significant(ml, 3), "mL");
    }

    /** Litres from 1 L on, else mL; US gallons from one on, else US fl oz. */
    public static String volume(double ml) {
        if (Units.now() == UnitSystem.US && ml >= Unit.US_GALLON.toCanonical(1)) {
            return withUnit(compact(Unit.US_GALLON.fromCanonical(ml), 3), Unit.US_GALLON.symbol());
        }
        if (inOunces(ml)) {
            return usOunces(ml);
        }
        return ml >= 1000 ? withUnit(compact(ml / 1000, 4), "L") : millilitres(ml);
    }

    /** US fluid ounces to three digits. */
    public static String usOunces(double ml) {
        return withUnit(significant(Unit.US_FLUID_OUNCE.fromCanonical(ml), 3), "US fl oz");
    }

    /** Money with the decimals of its currency; two digits more below a tenth, where a rounded amount would say nothing. */
    public static String money(Money money) {
        int decimals = money.currency().getDefaultFractionDigits();
        double amount = money.amount().doubleValue();
        return withUnit(
                amount >= 0.1 || amount == 0 || decimals == 0
                        ? grouped(money.amount().setScale(decimals, java.math.RoundingMode.HALF_EVEN))
                        : number(amount, decimals + 2),
                money.currency().getCurrencyCode());
    }

    private static String compactTimes(double factor) {
        return factor >= 100 ? grouped(java.math.BigDecimal.valueOf(Math.round(factor))) : significant(factor, 2);
    }

    /** A factor: 1.9×. */
    public static String times(double factor) {
        return compactTimes(factor) + "×";
    }

    /** A day near today, without its year: 12 Dec; else with it. */
    public static String day(LocalDate day, LocalDate today) {
        return day.format(Math.abs(java.time.temporal.ChronoUnit.DAYS.between(today, day)) < 300 ? DAY : DAY_OF_YEAR);
    }

    /** Ordinals of repeats: First, Second, … 11th. */
    public static String ordinal(int number) {
        String[] words = {"First", "Second", "Third", "Fourth", "Fifth", "Sixth", "Seventh", "Eighth", "Ninth", "Tenth"
        };
        return number <= words.length ? words[number - 1] : number + "th";
    }

    /** SVG coordinates: at most two decimals, always with a point; by hand, as a page has hundreds of them. */
    public static String svg(double value) {
        long hundredths = Math.round(value * 100);
        long whole = Math.abs(hundredths) / 100;
        int rest = (int) (Math.abs(hundredths) % 100);
        StringBuilder text = new StringBuilder(10);
        if (hundredths < 0) {
            text.append('-');
        }
        text.append(whole);
        if (rest != 0) {
            text.append('.').append((char) ('0' + rest / 10));
            if (rest % 10 != 0) {
                text.append((char) ('0' + rest % 10));
            }
        }
        return text.toString();
    }

    /** A time near now as it is told: "14:05", "tomorrow, 08:00", else as {@link #moment}. */
    public static String soon(Instant at, Instant now, ZoneId zone) {
        long days = java.time.temporal.ChronoUnit.DAYS.between(
                now.atZone(zone).toLocalDate(), at.atZone(zone).toLocalDate());
        String time = CLOCK.withZone(zone).format(at);
        return days == 0
                ? time
                : days == 1 ? "tomorrow, " + time : days == -1 ? "yesterday, " + time : moment(at, zone);
    }

    /** A time as it is told: "3 May 2026, 14:05". */
    public static String moment(Instant at, ZoneId zone) {
        return MOMENT.withZone(zone).format(at);
    }
}
