package org.evensheen.core.units;

/**
 * Text as people type it, without signs that can't be seen: control characters other than tab and line ends, marks that turn the
 * direction of writing, joiners that only hide, and halves of signs.
 */
public final class PlainText {
    private static final char UNKNOWN = '\uFFFD';

    /** Letters that print nothing: fillers of the Hangul script. */
    private static final String BLANK_LETTERS = "\u115F\u1160\u3164\uFFA0";

    private PlainText() {}

    /** The text without signs that can't be seen; a half of a sign becomes the sign for an unknown one. */
    public static String clean(String text) {
        if (text.chars().allMatch(c -> c >= ' ' && c < 0x7f)) {
            return text;
        }
        StringBuilder clean = new StringBuilder(text.length());
        text.codePoints().forEach(c -> {
            if (c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE) {
                clean.append(UNKNOWN);
            } else if (!hidden(c)) {
                clean.appendCodePoint(c);
            }
        });
        return clean.toString();
    }

    /** The same on one line: line ends and tabs become spaces, and none stand at its ends. */
    public static String line(String text) {
        return clean(text).replaceAll("[\\s\u0085]+", " ").strip();
    }

    private static boolean hidden(int c) {
        return Character.getType(c) == Character.CONTROL && c != '\t' && c != '\n' && c != '\r'
                || c == 0x061C
                || c == 0x200B
                || c == 0x200E
                || c == 0x200F
                || c >= 0x2028 && c <= 0x202E
                || c >= 0x2060 && c <= 0x206F
                || c == 0xFEFF
                || c >= 0xFFF9 && c <= 0xFFFB
                || c >= 0xE0000 && c <= 0xE007F;
    }

    /** Whether a name has a letter or a digit to know it by. */
    public static boolean readable(String name) {
        return name.codePoints().anyMatch(c -> Character.isLetterOrDigit(c) && BLANK_LETTERS.indexOf(c) < 0);
    }

    /** Whether it holds the sign with the number zero, which no text has and nothing can keep. */
    public static boolean broken(String text) {
        return text.indexOf('\0') >= 0;
    }
}
