package org.evensheen.core.measure;

import java.util.Optional;
import java.util.stream.Stream;

/** What a reader may care for. Each measure tells of one at most; life and cost follow from more than a measure. */
public enum Quality {
    LIFE("life", "Life", "how long it lasts"),
    SLICKNESS("slickness", "Slickness", "how slick it is"),
    WATER("water", "Water", "how water behaves on it"),
    GLOSS("gloss", "Gloss", "how it looks"),
    CLEANING("cleaning", "Cleaning", "how well it cleans"),
    FOAM("foam", "Foam", "how its foam stands"),
    EASE("ease", "Ease", "how easy and quick it is"),
    COST("cost", "Cost", "what it costs as it was used");

    private final String code;
    private final String label;
    private final String words;

    Quality(String code, String label, String words) {
        this.code = code;
        this.label = label;
        this.words = words;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    public String words() {
        return words;
    }

    public static Optional<Quality> ofCode(String code) {
        return Stream.of(values()).filter(q -> q.code.equals(code)).findFirst();
    }
}
