package org.evensheen.core.study;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.evensheen.core.water.Wetting;

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

    /** What the odometer said, km; empty for anything else, or where the note begins with no number. */
    public OptionalDouble kilometres() {
        return kind == Kind.ODOMETER ? kilometres(note) : OptionalDouble.empty();
    }

    /** The way in which the bed is wetted for looks from then on; empty for anything else, or where the note begins with none. */
    public Optional<Wetting> wetting() {
        return kind == Kind.WETTED ? Wetting.noted(note) : Optional.empty();
    }

    /** The number that a note begins with, km: digits, with blanks, commas or points between thousands; up to 9 999 999. */
    public static OptionalDouble kilometres(String note) {
        Matcher number = KILOMETRES.matcher(note.strip());
        if (!number.lookingAt()) {
            return OptionalDouble.empty();
        }
        double km = Double.parseDouble(number.group(1).replaceAll("\\D", ""));
        return OptionalDouble.of(number.group(2) == null ? km : km * MILE);
    }

    private static final Pattern KILOMETRES = Pattern.compile(
            "(\\d{1,3}(?:[ ,.\u00a0\u202f]\\d{3}){1,2}|\\d{1,7})(?![\\d.,])\\s*(?:km|(mi(?:les)?))?\\b");
    /** km. */
    private static final double MILE = 1.609344;

    /** What was done. */
    public enum Kind {
        APPLIED("applied", "applied"),
        WASHED("washed", "washed"),
        DOSED("dosed", "chemical dose"),
        TOPPED("topped", "topper or drying aid"),
        GAUGE_CHECKED("gauge-checked", "gauge checked"),
        WEATHER_NOTED("weather-noted", "weather noted"),
        /** Its note begins with what the odometer said, km. */
        ODOMETER("odometer", "odometer"),
        /** Its note begins with the way in which the bed is wetted for looks from then on. */
        WETTED("wetted", "wetted for looks");

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
