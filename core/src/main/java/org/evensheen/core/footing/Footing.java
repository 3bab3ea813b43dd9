package org.evensheen.core.footing;

import java.util.List;

/** How far a result can be trusted, from least to most. */
public enum Footing {
    ANECDOTE("anecdote", "A story, not a test: nothing here can be set against anything."),
    THIN("thin", "A hint. Another try could well turn it round."),
    FAIR("fair", "Sound at the core, with something left unchecked."),
    FIRM(
            "firm",
            "Bare control, reference, lots, blocks, replicates, a checked gauge. It can be published as it stands.");

    private final String word;
    private final String meaning;

    Footing(String word, String meaning) {
        this.word = word;
        this.meaning = meaning;
    }

    public String word() {
        return word;
    }

    public String meaning() {
        return meaning;
    }

    /** The footing that a list of findings leaves. */
    public static Footing under(List<Finding> findings) {
        return findings.stream()
                .map(f -> f.kind().atMost())
                .min(Footing::compareTo)
                .orElse(FIRM);
    }
}
