package org.evensheen.core.slickness;

/** What a product does to the pull of a sled, against bare paint read on the same day. */
public final class Slickness {
    /** Retention at or below which a product is spent. */
    public static final double SPENT = 0.25;

    private Slickness() {}

    /**
     * Share by which a product eases the pull: {@code 1 − F/F_bare}.
     *
     * @param newtons pull on the product, N
     * @param bareNewtons pull on bare paint the same day, N, above 0
     */
    public static double benefit(double newtons, double bareNewtons) {
        if (!(bareNewtons > 0)) {
            throw new IllegalArgumentException("the bare pull must be above 0 N");
        }
        return 1 - newtons / bareNewtons;
    }

    /**
     * Retention of a coating's slickness: the share of its first benefit that is left.
     *
     * <p>{@code R = (1 − F_t/F_bare,t) / (1 − F_0/F_bare,0)}, each pull set against bare read on its own day, so that a
     * warm day or a worn sled cloth cancels. Where bare reads the same on both days this is
     * {@code (F_bare − F_t) / (F_bare − F_0)}.
     *
     * @param bareThen pull on bare the day {@code fresh} was read, N, above 0
     * @param fresh pull after cure, N
     * @param bareNow pull on bare today, N, above 0
     * @param now pull today, N
     * @throws IllegalArgumentException if fresh equals bare: the coating never helped, and retention has no meaning
     */
    public static double retention(double bareThen, double fresh, double bareNow, double now) {
        double first = benefit(fresh, bareThen);
        if (first == 0) {
            throw new IllegalArgumentException("fresh equals bare: the coating never helped, nothing can be retained");
        }
        return benefit(now, bareNow) / first;
    }
}
