package org.evensheen.app.studies;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** The readings of the chosen section on the chosen day, and the field for the next one. */
public record Slate(
        String code,
        String stage,
        String measure,
        @Nullable Entry entry,
        @Nullable Correction correction,
        @Nullable Notice notice,
        String effect,
        String standing,
        String done,
        Neighbours neighbours) {

    /** What stands of the chosen section on the chosen day; it can change with the study only. */
    public record Read(
            String here,
            int day,
            String code,
            String name,
            String when,
            String happened,
            List<Choice> stages,
            List<Row> rows) {}

    /** One of several, with its address. */
    public record Choice(String code, String label, String address, boolean chosen) {}

    /** A measure: what was read, its mean and spread, and what it is set against. */
    public record Row(
            String label,
            String address,
            boolean chosen,
            boolean complete,
            List<Chip> chips,
            String mean,
            String against) {}

    /** A single reading; a struck one stays in sight. */
    public record Chip(long id, String figure, boolean struck, String title, String address) {}

    /**
     * The form for the next reading.
     *
     * @param key makes it kept once, however often it is sent
     * @param wetted how the bed is wetted for it, where that matters and is known
     * @param problem what is wrong with what was typed, at its field
     */
    public record Entry(
            UUID key,
            int day,
            String stage,
            String section,
            String measure,
            int repeat,
            String title,
            List<Field> fields,
            List<Choices> choices,
            String wetted,
            String extra,
            List<Take> takes,
            String draft) {}

    /** An instrument that can fill the field. */
    public record Take(long instrument, String name) {}

    /**
     * One of several options of a reading.
     *
     * @param keeps whether choosing it keeps the reading
     */
    public record Choices(String name, String legend, boolean keeps, String problem, List<Choice> options) {}

    /**
     * A typed number.
     *
     * @param system the code of the units a bare number is in; travels with the form
     */
    public record Field(
            String name, String label, String unit, String typed, String problem, boolean first, String system) {}

    /** The form for correcting or striking a reading. */
    public record Correction(
            UUID key,
            long reading,
            String title,
            String was,
            List<Field> fields,
            List<Choices> choices,
            String because,
            String becauseProblem,
            String back,
            boolean stands,
            List<String> history) {}

    /** Something the person should know now; a problem is said louder. */
    public record Notice(boolean problem, String text) {}

    /** The sections before and after, for stepping with the arrow keys. */
    public record Neighbours(String before, String after) {}
}
