package org.evensheen.core.study;

import java.util.Optional;
import java.util.stream.Stream;

/**
 * Something that went otherwise than it should on a day.
 *
 * @param section where; empty for all of the bed
 * @param words what was said of it
 */
public record Deviation(int day, Kind kind, Optional<String> section, String words) {

    /** What. */
    public enum Kind {
        BARE_GATE("bare-gate", "went on before everything was bare"),
        RESIDUE_GATE("residue-gate", "read before residue was off"),
        CURE_GATE("cure-gate", "went on before the cure was over"),
        WEATHER("weather", "applied outside the weather's limits"),
        NOTED("noted", "noted by hand");

        private final String code;
        private final String label;

        Kind(String code, String label) {
            this.code = code;
            this.label = label;
        }

        public String code() {
            return code;
        }

        public String label() {
            return label;
        }

        public static Optional<Kind> ofCode(String code) {
            return Stream.of(values()).filter(k -> k.code.equals(code)).findFirst();
        }
    }
}
