package org.evensheen.core.label;

import java.util.ArrayList;
import java.util.Currency;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.core.mixing.Dose;

/**
 * Reads a label from a line such as {@code rinseless 1:240; wait 1–3 min; 500 mL 18.40 EUR}: claims set off by semicolons or
 * line ends, in any order. Whatever can't be read is pointed at by its place in the line, never dropped.
 */
public final class LabelLine {
    /** Longest line that is read. */
    public static final int LONGEST = 4000;

    /** "rinse after 30–40 s" says two things: how it comes off, and how long it is waited for. */
    private static final Pattern AFTER =
            Pattern.compile("^\\s*(?:rinse|buff)(?: off)?\\s+(after\\s)", Pattern.CASE_INSENSITIVE);

    private LabelLine() {}

    /**
     * What can't be read, and the remedy.
     *
     * @param start first character, from 0
     * @param end after the last character
     */
    public record Problem(int start, int end, String message) {}

    /** A part between semicolons, at its place: a claim, or a problem. */
    public record Part(int start, int end, Optional<Claim> claim, Optional<Problem> problem) {}

    /** A line as read. */
    public record Outcome(String line, List<Part> parts) {

        public List<Problem> problems() {
            return parts.stream().flatMap(p -> p.problem().stream()).toList();
        }

        /** Everything that could be read. */
        public Label label() {
            return new Label(parts.stream().flatMap(p -> p.claim().stream()).toList());
        }
    }

    /** Reads a line in which every price says its currency, as a printed one does. */
    public static Outcome read(String line) {
        return read(line, Optional.empty());
    }

    /** Reads a line as somebody types it; a price without a currency is in the one of home, if there is any. */
    public static Outcome read(String line, Optional<Currency> home) {
        if (line.length() > LONGEST) {
            Problem tooLong = new Problem(
                    LONGEST,
                    line.length(),
                    "A label line has up to %d characters; this has %d.".formatted(LONGEST, line.length()));
            return new Outcome(line, List.of(new Part(LONGEST, line.length(), Optional.empty(), Optional.of(tooLong))));
        }
        List<Part> parts = new ArrayList<>();
        Map<Object, Claim> slots = new HashMap<>();
        int start = 0;
        for (int i = 0; i <= line.length(); i++) {
            if (i == line.length() || ";\n\r".indexOf(line.charAt(i)) >= 0) {
                Matcher both = AFTER.matcher(line.substring(start, i));
                if (both.find()) {
                    parts.add(part(line, start, start + both.start(1), slots, home));
                    start += both.start(1);
                }
                if (!line.substring(start, i).isBlank()) {
                    parts.add(part(line, start, i, slots, home));
                }
                start = i + 1;
            }
        }
        return new Outcome(line, parts);
    }

    private static Part part(String line, int from, int to, Map<Object, Claim> slots, Optional<Currency> home) {
        int start = from;
        while (Character.isWhitespace(line.charAt(start))) {
            start++;
        }
        int end = to;
        while (Character.isWhitespace(line.charAt(end - 1))) {
            end--;
        }
        try {
            Claim claim = ClaimRules.claim(line.substring(start, end), home);
            Claim before = slots.putIfAbsent(Label.slot(claim), claim);
            if (before != null) {
                return wrong(
                        start,
                        end,
                        new Problem(start, end, "“%s” is said already. Keep one of them.".formatted(before.print())));
            }
            return new Part(start, end, Optional.of(claim), Optional.empty());
        } catch (Unread e) {
            return wrong(start, end, placed(line.substring(start, end), e, start));
        }
    }

    /** A problem at its place; what is wanting at the end is told at the last word. */
    private static Problem placed(String text, Unread e, int offset) {
        boolean atEnd = e.start >= text.length();
        int start = atEnd ? Math.max(0, text.stripTrailing().lastIndexOf(' ') + 1) : e.start;
        int end = atEnd ? text.length() : Math.min(text.length(), e.end);
        return new Problem(offset + start, offset + end, String.valueOf(e.getMessage()));
    }

    private static Part wrong(int start, int end, Problem problem) {
        return new Part(start, end, Optional.empty(), Optional.of(problem));
    }

    /** A dose on its own, as typed into a field. */
    public record TypedDose(Optional<Dose> dose, Optional<Problem> problem) {}

    /** Reads a dose on its own. */
    public static TypedDose readDose(String typed) {
        Cursor c = new Cursor(typed, Optional.empty());
        try {
            Dose dose = DoseRules.dose(c);
            c.end();
            return new TypedDose(Optional.of(dose), Optional.empty());
        } catch (Unread e) {
            return new TypedDose(Optional.empty(), Optional.of(placed(typed, e, 0)));
        }
    }
}
