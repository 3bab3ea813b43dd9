package org.evensheen.core.league;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.answer.Onward;
import org.evensheen.core.comparing.Estimate;
import org.hipparchus.distribution.continuous.NormalDistribution;

/**
 * What further meetings of the first two of a table would settle, by rehearsal: meetings as sure as those there were, in the middle.
 *
 * @param chances so many meetings part the two in such a share of rehearsals; for 1, 2, 4 and 8 of them
 */
public record NextMeeting(String first, String second, List<Chance> chances) {
    private static final int DRAWS = 2000;

    /** Meetings, and the share of rehearsals in which they part the two. */
    public record Chance(int meetings, double parts) {}

    /**
     * Rehearses; empty if the first of the part stands alone.
     *
     * @param meetings all of the table, one or more of them of that part
     */
    public static Optional<NextMeeting> of(Network.Part part, List<Meeting> meetings, long seed) {
        if (part.lines().get(1).place() > 1) {
            return Optional.empty();
        }
        String first = part.lines().get(0).product();
        String second = part.lines().get(1).product();
        Estimate now = part.between(first, second).difference();
        double one = middle(meetings.stream()
                .filter(m -> part.index().containsKey(m.products().get(0)))
                .map(Meeting::pairVariance)
                .sorted()
                .toList());
        double variance = now.standardError() * now.standardError();
        NormalDistribution believed = new NormalDistribution(now.value(), now.standardError());
        double[] draws = new double[DRAWS];
        for (int d = 0; d < DRAWS; d++) {
            draws[d] = believed.inverseCumulativeProbability((d + 0.5) / DRAWS);
        }
        List<Chance> chances = new ArrayList<>();
        for (int more : Onward.TIMES) {
            double left = Onward.left(1 / variance, more / one);
            chances.add(new Chance(more, Onward.parts(List.of(new Onward.Group(draws, left)), seed)));
        }
        return Optional.of(new NextMeeting(first, second, List.copyOf(chances)));
    }

    private static double middle(List<Double> sorted) {
        int n = sorted.size();
        return (sorted.get((n - 1) / 2) + sorted.get(n / 2)) / 2;
    }

    /** The fewest meetings that part the two most of the time; empty if none of those looked at does. */
    public Optional<Chance> fewest() {
        return chances.stream().filter(c -> c.parts() >= Onward.MOSTLY).findFirst();
    }
}
