package org.evensheen.core.water;

import java.util.Optional;

/** The two honest kinds of water behaviour. Neither is the better; they are compared by the water they leave behind. */
public enum WaterKind {
    /** Tight beads that roll. */
    REPELS,
    /** Water leaves in one sheet. */
    SHEETS;

    public String code() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    public static Optional<WaterKind> ofCode(String code) {
        return java.util.stream.Stream.of(values())
                .filter(k -> k.code().equals(code))
                .findFirst();
    }

    /**
     * What a grade means in words for this kind, against the section's own first clean reading.
     *
     * @param grade 0 to 4
     */
    public String gradeInWords(int grade) {
        return switch (grade) {
            case 4 -> "as fresh";
            case 3 -> this == REPELS ? "looser beads" : "slower sheet";
            case 2 -> "mixed";
            case 1 -> this == REPELS ? "barely beads" : "barely sheets";
            case 0 -> "wets like bare";
            default -> throw new IllegalArgumentException("grades run from 0 to 4, not " + grade);
        };
    }
}
