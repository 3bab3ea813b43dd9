package org.evensheen.core.sidebyside;

import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.core.measure.Value;

/**
 * What is told below a step, with keys of its own: {@code odd/A}, {@code dose/A}, {@code foam/A/3}, {@code stays/foam/A} in s, {@code with/1/soap},
 * {@code slip/1/wash}, {@code came/0} and {@code note}.
 */
final class Detail {
    private static final Pattern FORM = Pattern.compile(
            "note|(odd|dose)/([A-Z]{1,2})|foam/([A-Z]{1,2})/\\d{1,2}|stays/[a-z-]+/([A-Z]{1,2})|(with|slip)/[1-9]\\d?/[a-z-]+|came/[0-7]");
    /** How a contender was come by. */
    static final Set<String> CAME = Set.of("bought", "given", "lent", "paid for", "own make");

    private static final int LONGEST_CLOCK = 6 * 3600;

    private Detail() {}

    /** Whether a key is one of these; not whether there is such a place. */
    static boolean is(String key) {
        return FORM.matcher(key).matches();
    }

    /** What is wrong with one; empty if it can be taken. */
    static Optional<String> wrong(Comparison c, String key, String value) {
        Matcher parts = FORM.matcher(key);
        if (!parts.matches()) {
            throw new IllegalArgumentException("no detail " + key);
        }
        String code =
                parts.group(2) != null ? parts.group(2) : parts.group(3) != null ? parts.group(3) : parts.group(4);
        if (code != null && c.places().stream().noneMatch(p -> p.code().equals(code))) {
            return Optional.of("There is no such place. Open the comparison again.");
        }
        if (key.startsWith("foam/")) {
            return mark(value).isPresent()
                    ? Optional.empty()
                    : Optional.of("A mark of foam is a minute and a height from 0 to 5000, like 1:78.");
        }
        if (key.startsWith("stays/")) {
            return value.matches("\\d{1,7}") && Integer.parseInt(value) <= LONGEST_CLOCK
                    ? Optional.empty()
                    : Optional.of(
                            "That clock ran for more than six hours; it was left running. Stop it, set it to 0, and write how long it was in the note.");
        }
        if (key.startsWith("slip/")) {
            return Set.of(value.split(" ")).stream()
                            .allMatch(s -> Slip.ofCode(s).isPresent())
                    ? Optional.empty()
                    : Optional.of("Choose what went wrong from what is there.");
        }
        if (key.startsWith("came/")) {
            return CAME.contains(value)
                            && Integer.parseInt(key.substring(5))
                                    < c.contenders().size()
                    ? Optional.empty()
                    : Optional.of("Say bought, given, lent, paid for or own make.");
        }
        return Optional.empty();
    }

    /** A mark of foam: minute and height in mm. */
    static Optional<Value.Mark> mark(String value) {
        if (!value.matches("\\d{1,3}(\\.\\d{1,2})?:\\d{1,4}(\\.\\d)?")) {
            return Optional.empty();
        }
        String[] sides = value.split(":", -1);
        double height = Double.parseDouble(sides[1]);
        return height > 5000 ? Optional.empty() : Optional.of(new Value.Mark(Double.parseDouble(sides[0]), height));
    }
}
