package org.evensheen.core.label;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.Unread.Sure;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

/** How each claim is written. The rule that gets furthest has the word. */
final class ClaimRules {
    private static final String EXAMPLES =
            "Begin with what it is: rinseless 1:240, wait 1–3 min, dry 12 h, lasts 6 months, pH 7, 500 mL 18.40 EUR.";

    private static final List<Function<Cursor, Claim>> RULES = List.of(
            ClaimRules::wait,
            ClaimRules::finish,
            ClaimRules::coats,
            ClaimRules::section,
            ClaimRules::keepDry,
            ClaimRules::nextLayer,
            ClaimRules::temperature,
            ClaimRules::sun,
            ClaimRules::notFor,
            ClaimRules::goodFor,
            ClaimRules::lasts,
            UpkeepRules::renew,
            UpkeepRules::noMarks,
            UpkeepRules::howMuch,
            ClaimRules::ph,
            ClaimRules::keeps,
            ClaimRules::scent,
            ClaimRules::caution,
            ClaimRules::offer,
            ClaimRules::use);

    /** What makers mostly mean by neutral. */
    private static final Span NEUTRAL = new Span(6, 8);

    private ClaimRules() {}

    /** The claim that a part makes. */
    static Claim claim(String text, Optional<Currency> home) {
        Unread furthest = new Unread(0, text.length(), Sure.GUESS, EXAMPLES);
        for (Function<Cursor, Claim> rule : RULES) {
            Cursor c = new Cursor(text, home);
            try {
                Claim claim = rule.apply(c);
                c.end();
                return claim;
            } catch (Unread e) {
                furthest = e.better(furthest) ? e : furthest;
            } catch (IllegalArgumentException e) {
                Unread wrong = new Unread(0, text.length(), Sure.SHAPE, "That can't be: " + e.getMessage() + ".");
                furthest = wrong.better(furthest) ? wrong : furthest;
            }
        }
        throw furthest;
    }

    static void keyword(Cursor c, String... words) {
        if (!c.anyWord(words)) {
            throw new Unread(0, c.text.length(), Sure.GUESS, EXAMPLES);
        }
        c.sure = Sure.KEYWORD;
    }

    private record Time(Span amount, Unit unit) {}

    private static Time time(Cursor c, String example) {
        if (!c.numberAhead()) {
            throw c.fail("A time is wanted here, like %s.".formatted(example));
        }
        int from = c.at;
        double low = c.number().doubleValue();
        Optional<Unit> first = c.unit(Unit.Family.DURATION);
        Span amount;
        Unit unit;
        int before = c.at;
        if (first.isPresent() && (c.dash() || c.word("or")) && c.numberAhead()) {
            double high = c.number().doubleValue();
            double factor = c.unit(Unit.Family.DURATION).orElse(first.get()).toCanonical(1)
                    / first.get().toCanonical(1);
            amount = c.upwards(from, low, high * factor);
            unit = first.get();
        } else {
            c.at = first.isPresent() ? before : c.at;
            amount = first.isPresent() ? Span.of(low) : c.spanFrom(from, low);
            unit = first.or(() -> c.unit(Unit.Family.DURATION))
                    .orElseThrow(() -> c.fail("A unit of time is wanted here: s, min, h, days, weeks or months."));
        }
        if (amount.low() <= 0) {
            throw c.fail(from, "A time is above zero. Leave it out if there is none.");
        }
        return new Time(amount, unit);
    }

    private static Claim wait(Cursor c) {
        keyword(c, "wait", "dwell", "after");
        Time time = time(c, "wait 1–3 min");
        return new Claim.Wait(time.amount, time.unit);
    }

    private static Claim finish(Cursor c) {
        for (Claim.Finish.How how : Claim.Finish.How.values()) {
            if (c.word(new Claim.Finish(how).print())) {
                c.sure = Sure.KEYWORD;
                c.word("off");
                return new Claim.Finish(how);
            }
        }
        keyword(c, "rinse");
        return new Claim.Finish(Claim.Finish.How.RINSE_OFF);
    }

    private static Claim coats(Cursor c) {
        if (c.anyWord("coats", "coat")) {
            c.sure = Sure.KEYWORD;
            return new Claim.Coats(c.span());
        }
        Span number = c.span();
        keyword(c, "coats", "coat");
        return new Claim.Coats(number);
    }

    private static Claim section(Cursor c) {
        keyword(c, "section", "sections of");
        double width = c.number().doubleValue();
        double height = c.anyWord("×", "x", "by") ? c.number().doubleValue() : width;
        Unit unit = c.unit(Unit.Family.LENGTH).orElseThrow(() -> c.fail("A unit is wanted here: cm or in."));
        double factor = unit.toCanonical(1) / Unit.CENTIMETRE.toCanonical(1);
        return new Claim.SectionSize(width * factor, height * factor);
    }

    private static Claim keepDry(Cursor c) {
        keyword(c, "keep dry", "dry");
        Time time = time(c, "dry 12 h");
        return new Claim.KeepDry(time.amount, time.unit);
    }

    private static Claim nextLayer(Cursor c) {
        keyword(c, "next layer after", "next layer", "layer after");
        Time time = time(c, "next layer 24 h");
        return new Claim.NextLayer(time.amount, time.unit);
    }

    private static Claim temperature(Cursor c) {
        if (c.word("panel")) {
            c.sure = Sure.KEYWORD;
        }
        Optional<Double> low = Optional.empty();
        Optional<Double> high = Optional.empty();
        if (c.word("above")) {
            low = Optional.of(degrees(c));
        } else if (c.word("below")) {
            high = Optional.of(degrees(c));
        } else {
            int from = c.blanks().at;
            double first = degrees(c);
            if (!c.dash()) {
                throw c.fail("Write two limits, or one like panel above 5 °C.");
            }
            double second = degrees(c);
            if (second <= first) {
                throw c.fail(from, "This range runs downwards. Write the colder limit first.");
            }
            low = Optional.of(first);
            high = Optional.of(second);
        }
        boolean fahrenheit = c.anyWord("°f", "f", "fahrenheit");
        if (!fahrenheit && !c.anyWord("°c", "c", "celsius")) {
            throw c.fail("Celsius or Fahrenheit? Write °C or °F.");
        }
        c.sure = Sure.KEYWORD;
        return new Claim.PanelTemperature(low, high, fahrenheit);
    }

    private static double degrees(Cursor c) {
        boolean below = c.word("-") || c.word("−");
        double degrees = c.number().doubleValue();
        return below ? -degrees : degrees;
    }

    private static Claim sun(Cursor c) {
        if (c.anyWord("no sun", "no direct sun", "not in direct sun", "not in sun", "shade only", "shade")) {
            return new Claim.Sun(false);
        }
        keyword(c, "sun");
        c.anyWord("allowed", "ok");
        return new Claim.Sun(true);
    }

    private static Claim notFor(Cursor c) {
        keyword(c, "not for", "never on", "not on");
        return new Claim.NotFor(list(c, Surface::named, Surface.values(), Surface::word, "a surface"));
    }

    private static Claim goodFor(Cursor c) {
        keyword(c, "for", "surfaces");
        return new Claim.For(list(c, Surface::named, Surface.values(), Surface::word, "a surface"));
    }

    private static Claim lasts(Cursor c) {
        keyword(c, "lasts", "life", "up to");
        c.word("up to");
        int before = c.at;
        Span number = c.span();
        if (c.anyWord("washes", "wash")) {
            return new Claim.LastsWashes(number);
        }
        c.at = before;
        Time time = time(c, "lasts 6 months");
        return new Claim.Lasts(time.amount, time.unit);
    }

    private static Claim ph(Cursor c) {
        if (c.anyWord("ph neutral", "ph-neutral", "neutral ph")) {
            return new Claim.Ph(NEUTRAL);
        }
        keyword(c, "ph");
        int from = c.blanks().at;
        Span value = c.span();
        if (value.high() > 14) {
            throw c.fail(from, "pH runs from 0 to 14. Check the number.");
        }
        return new Claim.Ph(value);
    }

    private static Claim keeps(Cursor c) {
        boolean mixed = c.word("mix keeps");
        if (!mixed) {
            keyword(c, "keeps", "shelf life");
        }
        c.sure = Sure.KEYWORD;
        Time time = time(c, mixed ? "mix keeps 14 days" : "keeps 24 months");
        return mixed ? new Claim.MixKeeps(time.amount, time.unit) : new Claim.Keeps(time.amount, time.unit);
    }

    private static Claim scent(Cursor c) {
        if (c.anyWord("no scent", "unscented")) {
            return new Claim.Scent("");
        }
        keyword(c, "scent", "smells of");
        String of = c.rest();
        if (of.isEmpty() || of.length() > 60) {
            throw c.fail("A scent in a word or two is wanted here.");
        }
        c.at = c.text.length();
        return new Claim.Scent(of);
    }

    private static Claim caution(Cursor c) {
        keyword(c, "caution:", "caution", "cautions");
        return new Claim.Caution(list(c, Hazard::named, Hazard.values(), Hazard::word, "a caution"));
    }

    private static <T extends Comparable<T>> SortedSet<T> list(
            Cursor c, Function<String, Optional<T>> named, T[] all, Function<T, String> word, String what) {
        SortedSet<T> items = new TreeSet<>();
        if (c.done()) {
            throw c.fail("Name %s: %s.".formatted(what, known(all, word)));
        }
        while (!c.done()) {
            int from = c.at;
            int comma = c.text.indexOf(',', from);
            int and = c.text.toLowerCase(Locale.ROOT).indexOf(" and ", from);
            int end = Stream.of(comma, and, c.text.length())
                    .filter(i -> i >= 0)
                    .min(Comparator.naturalOrder())
                    .orElseThrow();
            String item = c.text.substring(from, end);
            c.at = end;
            items.add(named.apply(item)
                    .orElseThrow(() -> c.fail(
                            from,
                            "“%s” is not %s that is known here: %s."
                                    .formatted(Cursor.shortened(item.strip()), what, known(all, word)))));
            if (!c.word(",")) {
                c.word("and");
            }
        }
        return items;
    }

    private static <T> String known(T[] all, Function<T, String> word) {
        return Arrays.stream(all).map(word).collect(Collectors.joining(", "));
    }

    private static Claim offer(Cursor c) {
        int from = c.blanks().at;
        boolean priceFirst =
                "€£$¥".indexOf(c.text.isEmpty() ? ' ' : c.text.charAt(Math.min(from, c.text.length() - 1))) >= 0;
        if (priceFirst || !c.numberAhead()) {
            throw c.fail(EXAMPLES);
        }
        BigDecimal size = c.number();
        Optional<Unit> unit = c.unit(Unit.Family.VOLUME, Unit.Family.MASS);
        if (unit.isEmpty()) {
            if (Money.currency(c.letters()).isPresent() && c.letters().length() == 3) {
                c.at += 3;
                throw new Unread(
                        from,
                        c.at,
                        Sure.SHAPE,
                        "Say for what size: 500 mL " + size + " " + c.text.substring(c.at - 3, c.at) + ".");
            }
            throw c.fail(EXAMPLES);
        }
        if (size.signum() <= 0) {
            throw new Unread(from, c.at, Sure.SHAPE, "A size is above zero.");
        }
        if (c.done()) {
            return new Claim.Offer(size.doubleValue(), unit.get(), Optional.empty());
        }
        Money price = price(c);
        return new Claim.Offer(size.doubleValue(), unit.get(), Optional.of(price));
    }

    /** An amount with its currency, by code or by a sign that means one currency only. */
    static Money price(Cursor c) {
        Optional<Currency> before = sign(c);
        int from = c.blanks().at;
        if (!c.numberAhead()) {
            throw c.fail("A price is wanted here, like 18.40 EUR.");
        }
        BigDecimal amount = c.number();
        if (c.letters().equalsIgnoreCase("per") || c.letters().equalsIgnoreCase("in")) {
            throw c.fail(EXAMPLES);
        }
        c.sure = Sure.SHAPE;
        Optional<Currency> currency = before.or(() -> sign(c)).or(() -> code(c, amount));
        if (amount.signum() <= 0) {
            throw c.fail(
                    from,
                    "A price of zero can't be set against others. Leave the price out, and tell how it was come by.");
        }
        return new Money(amount, currency.orElseThrow());
    }

    private static Optional<Currency> code(Cursor c, BigDecimal amount) {
        String code = c.letters();
        if (code.isEmpty() && c.home.isPresent()) {
            return c.home;
        }
        if (code.isEmpty()) {
            throw c.fail("Write the currency too, like %s EUR.".formatted(amount.toPlainString()));
        }
        int from = c.blanks().at;
        c.at += code.length();
        return Optional.of(Money.currency(code)
                .orElseThrow(() -> c.fail(
                        from,
                        "“%s” is not a currency. Write its three letters, like EUR, GBP or USD."
                                .formatted(Cursor.shortened(code)))));
    }

    /** Currencies that share a sign. */
    private static final Map<String, Set<String>> SIGNS =
            Map.of("$", Set.of("USD", "AUD", "CAD", "NZD", "SGD", "HKD", "MXN", "TWD"), "¥", Set.of("JPY", "CNY"));

    private static Optional<Currency> sign(Cursor c) {
        if (c.word("€")) {
            return Optional.of(Currency.getInstance("EUR"));
        }
        if (c.word("£")) {
            return Optional.of(Currency.getInstance("GBP"));
        }
        int from = c.blanks().at;
        if (c.word("$") || c.word("¥")) {
            String sign = c.text.substring(c.at - 1, c.at);
            if (c.home.filter(h -> SIGNS.get(sign).contains(h.getCurrencyCode()))
                    .isPresent()) {
                return c.home;
            }
            c.sure = Sure.SHAPE;
            throw c.fail(from, "More than one currency has this sign. Write three letters, like USD, AUD, JPY or CNY.");
        }
        return Optional.empty();
    }

    /** A use is what is left when no other claim is meant: words, then a dose. */
    private static Claim use(Cursor c) {
        Unread furthest = new Unread(0, c.text.length(), Sure.GUESS, EXAMPLES);
        for (int start = 0; start < c.text.length(); start++) {
            boolean wordStart = start == 0 || !Character.isLetterOrDigit(c.text.charAt(start - 1));
            if (!wordStart || Character.isWhitespace(c.text.charAt(start))) {
                continue;
            }
            Cursor dose = new Cursor(c.text, start);
            try {
                Dose read = DoseRules.dose(dose);
                dose.end();
                c.at = c.text.length();
                return new Claim.Use(name(c.text.substring(0, start)), read);
            } catch (Unread e) {
                if (e.sure == Sure.SHAPE) {
                    throw e;
                }
                furthest = e.start > start && e.better(furthest) ? e : furthest;
            }
        }
        throw furthest;
    }

    private static String name(String before) {
        String name = before.strip().replaceAll("[:,]$", "").strip();
        if (name.length() > Claim.Use.LONGEST) {
            throw new Unread(
                    0,
                    before.length(),
                    Sure.SHAPE,
                    "That name is too long: %d characters at most.".formatted(Claim.Use.LONGEST));
        }
        return name;
    }
}
