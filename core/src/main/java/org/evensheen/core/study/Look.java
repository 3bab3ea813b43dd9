package org.evensheen.core.study;

import java.util.Comparator;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Where within a day a look lies: after which step of that day, and at which stage. Several doses, rungs of a ladder, or rounds of
 * one afternoon are steps, counted from 1; what is looked at once a day has no step.
 *
 * <p>Its code is the stage's, with the step after it: {@code rewetted}, {@code after-3}. Addresses, files and the database know it by that.
 *
 * @param step 0 for a day without steps, else 1 to 99
 */
public record Look(Stage stage, int step) implements Comparable<Look> {
    /** Most steps of a day. */
    public static final int MOST = 99;

    private static final Pattern CODE = Pattern.compile("([a-z]+)(?:-([1-9][0-9]?))?");
    private static final Comparator<Look> ORDER =
            Comparator.comparingInt(Look::step).thenComparing(Look::stage);

    public Look {
        if (step < 0 || step > MOST) {
            throw new IllegalArgumentException("steps of a day run from 0 to " + MOST + ", not " + step);
        }
    }

    /** A look of a day without steps. */
    public static Look at(Stage stage) {
        return new Look(stage, 0);
    }

    public String code() {
        return step == 0 ? stage.code() : stage.code() + "-" + step;
    }

    /** "wetted again", "step 3, after it". */
    public String label() {
        return step == 0 ? stage.label() : "step %d, %s".formatted(step, stage.label());
    }

    public static Optional<Look> ofCode(String code) {
        Matcher parts = CODE.matcher(code);
        return parts.matches()
                ? Stage.ofCode(parts.group(1))
                        .map(stage -> new Look(stage, parts.group(2) == null ? 0 : Integer.parseInt(parts.group(2))))
                : Optional.empty();
    }

    @Override
    public int compareTo(Look other) {
        return ORDER.compare(this, other);
    }
}
