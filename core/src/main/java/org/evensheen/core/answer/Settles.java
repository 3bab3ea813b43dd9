package org.evensheen.core.answer;

import java.util.ArrayList;
import java.util.List;

/**
 * What would tell the first two apart, were what is seen now the truth: errors shrink as sections are added, by {@code √(r/(r + k))}, and the draws of their difference are drawn in by that.
 *
 * @param more sections of each besides those there are
 * @param ahead chance that the leader is ahead of the second now
 * @param then the same with the sections more
 */
public record Settles(int leader, int second, int more, double ahead, double then) {
    /** So many sections more are looked at. */
    public static final List<Integer> MORE = List.of(1, 2, 4, 8);

    /**
     * Works it out for one, two, four and eight sections more; empty if the leader stands alone, or nothing is ranked.
     *
     * @param sections of each of the two now, from 1
     */
    public static List<Settles> of(Weighed weighed, int sections) {
        List<Settles> all = new ArrayList<>();
        if (weighed.first().size() < 2) {
            return all;
        }
        int leader = weighed.lines().get(0).contender();
        int second = weighed.lines().get(1).contender();
        double[] one = weighed.draws().get(leader);
        double[] other = weighed.draws().get(second);
        double mean = 0;
        for (int d = 0; d < one.length; d++) {
            mean += (one[d] - other[d]) / one.length;
        }
        for (int more : MORE) {
            double shrink = Math.sqrt(sections / (double) (sections + more));
            all.add(new Settles(leader, second, more, ahead(one, other, mean, 1), ahead(one, other, mean, shrink)));
        }
        return all;
    }

    private static double ahead(double[] one, double[] other, double mean, double shrink) {
        int ahead = 0;
        for (int d = 0; d < one.length; d++) {
            ahead += mean + shrink * (one[d] - other[d] - mean) > 0 ? 1 : 0;
        }
        return ahead / (double) one.length;
    }

    /** The fewest sections more that part the two; empty if none of those looked at does. */
    public static java.util.OptionalInt fewest(List<Settles> all) {
        return all.stream()
                .filter(s -> s.then() >= Weighed.APART)
                .mapToInt(Settles::more)
                .min();
    }
}
