package org.evensheen.app.studies;

import java.time.Instant;
import java.util.Set;

/**
 * That somebody knowingly saw what codes stand for while the key was closed.
 *
 * @param day the day of the study whose work it was for
 */
public record Seen(int day, Why why, Set<String> sections, Instant at, String by) {

    /** What it was for. */
    public enum Why {
        PLANNING("placed sections by hand before it began"),
        APPLYING("to put the products on"),
        NOTING("to note how they were put on"),
        PAPER("to print what the codes stand for"),
        FILE("to take the study out as a file");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        public String code() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        public String words() {
            return words;
        }

        public static java.util.Optional<Why> ofCode(String code) {
            return java.util.stream.Stream.of(values())
                    .filter(w -> w.code().equals(code))
                    .findFirst();
        }
    }
}
