package org.evensheen.core.units;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Locale;

/** Numbers in core's own sentences, alike on every machine: the locale has no say. */
public final class Rounded {
    private static final MathContext TWO = new MathContext(2);

    private Rounded() {}

    /** A factor to two significant digits, never with an exponent: 1.9, 0.50, 150. */
    public static String factor(double factor) {
        if (!Double.isFinite(factor) || Math.abs(factor) >= 100) {
            return number(factor, 0);
        }
        BigDecimal rounded = new BigDecimal(factor).round(TWO);
        return rounded.setScale(Math.max(0, 2 - rounded.precision() + rounded.scale()), RoundingMode.UNNECESSARY)
                .toPlainString();
    }

    /** A number with so many decimals. */
    public static String number(double value, int decimals) {
        return String.format(Locale.ROOT, "%." + decimals + "f", value);
    }
}
