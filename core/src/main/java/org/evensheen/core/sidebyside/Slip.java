package org.evensheen.core.sidebyside;

import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.sidebyside.Sheet.Trust;

/** What can go wrong while something is done, with the most that can still be told after it. */
public enum Slip {
    NEIGHBOUR("the place beside it got wet", Trust.HINT),
    OVER("one ran over the other", Trust.STORY),
    MORE("more went on one of them", Trust.HINT),
    DRIED("one dried before it came off", Trust.HINT),
    RESIDUE("looked at while still wet with it", Trust.STORY),
    WETTING("not wetted in the same way", Trust.STORY),
    CLOTH("not the same cloth on each", Trust.HINT),
    SHARED("the same mitt or brush went on both", Trust.HINT);

    private final String words;
    private final Trust most;

    Slip(String words, Trust most) {
        this.words = words;
        this.most = most;
    }

    public String words() {
        return words;
    }

    public Trust most() {
        return most;
    }

    public String code() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    static Optional<Slip> ofCode(String code) {
        return Stream.of(values()).filter(s -> s.code().equals(code)).findFirst();
    }
}
