package org.evensheen.core.label;

/** A rule could not read on: where, why, and how sure it was of being the right rule. */
final class Unread extends RuntimeException {
    private static final long serialVersionUID = 1;

    /** How sure a rule is that the text was meant for it. */
    enum Sure {
        GUESS,
        KEYWORD,
        SHAPE
    }

    final int start;
    final int end;
    final Sure sure;

    Unread(int start, int end, Sure sure, String message) {
        super(message, null, false, false);
        this.start = start;
        this.end = end;
        this.sure = sure;
    }

    /** Whether this says more about what was meant than another failure. */
    boolean better(Unread other) {
        return sure != other.sure ? sure.compareTo(other.sure) > 0 : start > other.start;
    }
}
