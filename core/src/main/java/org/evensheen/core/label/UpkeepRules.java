package org.evensheen.core.label;

import org.evensheen.core.units.Span;

/** How it is written that something is to be put on again, how much a bottle does, and that it leaves no marks. */
final class UpkeepRules {
    private UpkeepRules() {}

    static Claim renew(Cursor c) {
        ClaimRules.keyword(c, "renew", "reapply", "top up", "again");
        c.anyWord("at", "after");
        boolean every = c.anyWord("every", "each");
        int number = 1;
        if (c.numberAhead()) {
            double typed = c.number().doubleValue();
            if (typed != Math.rint(typed)) {
                throw c.fail("Whole washes or weeks, like renew every 3 weeks.");
            }
            number = (int) Math.max(-1, Math.min(typed, 1000));
        } else if (every && c.word("second")) {
            number = 2;
        } else if (every && c.word("third")) {
            number = 3;
        }
        if (c.anyWord("washes", "wash")) {
            return new Claim.Renew(number, Claim.Renew.Per.WASH);
        }
        if (c.anyWord("months", "month")) {
            throw c.fail("Write it in weeks: renew every 4 weeks.");
        }
        if (c.anyWord("weeks", "week")) {
            return new Claim.Renew(number, Claim.Renew.Per.WEEK);
        }
        throw c.fail("How often? renew every wash, renew every 3 weeks.");
    }

    static Claim howMuch(Cursor c) {
        boolean said = c.anyWord("does", "makes", "enough for", "for", "up to");
        if (said) {
            c.word("up to");
        } else if (!c.numberAhead()) {
            throw new Unread(0, c.text.length(), Unread.Sure.GUESS, "");
        }
        Span number = c.span();
        for (Claim.Yield.Of of : Claim.Yield.Of.values()) {
            if (c.anyWord(of.several(), of.one())) {
                if (!c.anyWord("a bottle", "per bottle", "each bottle") && !said) {
                    throw c.fail("Say of what: 24 cars a bottle.");
                }
                return new Claim.Yield(number, of);
            }
        }
        throw c.fail("What does it do so many of? cars, wheels or panels.");
    }

    static Claim noMarks(Cursor c) {
        ClaimRules.keyword(
                c,
                "no marks",
                "no scratches",
                "no scratching",
                "scratch free",
                "scratch-free",
                "no swirls",
                "swirl free",
                "swirl-free");
        return new Claim.NoMarks();
    }
}
