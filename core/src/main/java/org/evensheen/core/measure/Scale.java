package org.evensheen.core.measure;

import java.util.stream.DoubleStream;

/**
 * What kind of number a score is, which decides how it is compared (MEASURES 15).
 *
 * <p>Sources: F. J. Anscombe 1948 for counts; M. S. Bartlett for shares.
 */
public enum Scale {
    /** As it is. */
    AMOUNT,
    /** Times and half-lives: on the log scale, told back as ratios. */
    LOG,
    /** Shares: as they are between 0.1 and 0.9, else on the logit of (n·x + ½)/(n + 1). */
    SHARE,
    /** Counts: on 2√(x + 3/8). */
    COUNT,
    /** Grades and rungs: an order, not an amount. */
    ORDER,
    /** Answers about two places. */
    PAIR;

    private static final double LOW = 0.1;
    private static final double HIGH = 0.9;
    private static final double SPOTS = 100;
    private static final double LEAST = 1e-6;

    /** Whether scores of this kind can go through a linear model. */
    public boolean linear() {
        return this != ORDER && this != PAIR;
    }

    /** How scores are turned before they are compared, and back. */
    public enum Turn {
        NONE,
        LOG,
        ROOT,
        LOGIT;

        public double to(double score) {
            return switch (this) {
                case NONE -> score;
                case LOG -> Math.log(Math.max(LEAST, score));
                case ROOT -> 2 * Math.sqrt(score + 0.375);
                case LOGIT -> {
                    double share = (SPOTS * score + 0.5) / (SPOTS + 1);
                    yield Math.log(share / (1 - share));
                }
            };
        }

        public double back(double turned) {
            return switch (this) {
                case NONE -> turned;
                case LOG -> Math.exp(turned);
                case ROOT -> Math.max(0, turned * turned / 4 - 0.375);
                case LOGIT -> {
                    double share = 1 / (1 + Math.exp(-turned));
                    yield Math.max(0, Math.min(1, (share * (SPOTS + 1) - 0.5) / SPOTS));
                }
            };
        }

        /** Whether a difference of turned scores is told as a ratio. */
        public boolean ratio() {
            return this == LOG;
        }
    }

    /**
     * The turn for scores that are compared with each other.
     *
     * @throws IllegalArgumentException for an order or pairs, which are no amounts
     */
    public Turn turn(DoubleStream scores) {
        return switch (this) {
            case AMOUNT -> Turn.NONE;
            case LOG -> Turn.LOG;
            case COUNT -> Turn.ROOT;
            case SHARE -> scores.allMatch(s -> s >= LOW && s <= HIGH) ? Turn.NONE : Turn.LOGIT;
            case ORDER, PAIR -> throw new IllegalArgumentException("an order is no amount");
        };
    }
}
