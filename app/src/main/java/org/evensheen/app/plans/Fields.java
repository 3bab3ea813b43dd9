package org.evensheen.app.plans;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.OurTime;
import org.evensheen.core.units.TypedNumber;

/** Fields of a plan as typed, and what is wrong with them, found while they are read. */
public final class Fields {
    static final int MOST_PRODUCTS = 16;
    static final int MOST_CHEMICALS = 6;

    private final Map<String, String> typed;
    private final Map<String, String> problems = new LinkedHashMap<>();

    Fields(Map<String, String> typed) {
        this.typed = typed;
    }

    /** What a plan begins with. */
    public static Map<String, String> blank(String question, String bed, LocalDate today, long seed) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("question", question);
        typed.put("bed", bed);
        typed.put("unit", "section");
        typed.put("each", "2");
        typed.put("bare", "2");
        typed.put("gap", "40");
        typed.put("seed", String.valueOf(seed));
        typed.put("firstDay", today.toString());
        for (String step : new String[] {"wash", "strip", "wipe"}) {
            typed.put("prep-" + step, "on");
        }
        typed.put("prove", "on");
        Measures.read().forEach(m -> typed.put(m.code(), String.valueOf(m.usualRepeats())));
        typed.put("wear", "weeks");
        typed.put("every", "7");
        typed.put("visits", "8");
        typed.put("washEvery", "0");
        typed.put("perVisit", "3");
        typed.put("washDays", "3");
        typed.put("washVisits", "6");
        typed.put("scheme", "stacked");
        typed.put("doseDays", "1");
        for (int i = 0; i < MOST_PRODUCTS; i++) {
            typed.put("source" + i, "bought");
        }
        return typed;
    }

    Map<String, String> problems() {
        return problems;
    }

    String in(String field) {
        return typed.getOrDefault(field, "").strip();
    }

    boolean on(String field) {
        return in(field).equals("on");
    }

    void wrong(String field, String message) {
        problems.putIfAbsent(field, message);
    }

    String text(String field, int longest) {
        String text = in(field);
        if (text.length() > longest) {
            wrong(field, "That has %d characters; %d is the most.".formatted(text.length(), longest));
        }
        return text;
    }

    /** A number within limits; what is wrong or out of them is noted, and {@code otherwise} is taken. */
    double number(String field, String what, String unit, double lowest, double highest, double otherwise) {
        if (in(field).isEmpty()) {
            return otherwise;
        }
        TypedNumber read = TypedNumber.read(in(field), what, unit, lowest, highest);
        if (read instanceof TypedNumber.Read value) {
            return value.value();
        }
        wrong(field, ((TypedNumber.Refused) read).message());
        return otherwise;
    }

    int whole(String field, String what, String unit, int lowest, int highest, int otherwise) {
        double value = number(field, what, unit, lowest, highest, otherwise);
        if (value != Math.rint(value)) {
            wrong(field, "Type a whole number.");
        }
        return (int) Math.round(value);
    }

    LocalDate day(String field, LocalDate today) {
        try {
            LocalDate day = OurTime.day(in(field));
            if (day.isBefore(today.minusYears(9)) || day.isAfter(today.plusYears(2))) {
                wrong(field, "Choose a first day within nine years back and two years ahead.");
                return today;
            }
            return day;
        } catch (IllegalArgumentException e) {
            wrong(field, "Write the first day like %s.".formatted(today));
            return today;
        }
    }
}
