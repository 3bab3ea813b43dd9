package org.evensheen.core.study;

import java.util.Optional;
import java.util.stream.Stream;

/**
 * Something done to the whole bed on a day, notched on the tape.
 *
 * @param step which step of its day it was, from 1; 0 on a day without steps
 * @param minute of the day at which it was done, 0 to 1439, if known
 * @param note what was written beside it; may be empty
 */
public record Happening(int day, int step, Optional<Integer> minute, Kind kind, String note) {

    public Happening(int day, Kind kind, String note) {
        this(day, 0, Optional.empty(), kind, note);
    }

    public Happening(int day, Kind kind) {
        this(day, kind, "");
    }

    /** What was done. */
    public enum Kind {
        APPLIED("applied", "applied"),
        WASHED("washed", "washed"),
        DOSED("dosed", "chemical dose"),
        TOPPED("topped", "topper or drying aid"),
        GAUGE_CHECKED("gauge-checked", "gauge checked"),
        WEATHER_NOTED("weather-noted", "weather noted");

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
