package org.evensheen.core.sidebyside;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.evensheen.core.comparing.Interval;
import org.evensheen.core.sidebyside.Comparison.Ballot;
import org.hipparchus.distribution.continuous.BetaDistribution;

/**
 * How far somebody agrees with themselves: of the pairs that they were asked twice, how many they answered alike.
 *
 * @param twice pairs that were asked twice, 1 or more
 * @param alike of these
 * @param share in which the true share lies with 95 % chance (C. J. Clopper & E. S. Pearson 1934)
 * @param chance share that would be alike if they answered by chance, with as many ties as they gave
 */
public record Steadiness(String by, int twice, int alike, Interval share, double chance) {
    /** Below so many pairs nobody's answers are set aside: a slip of the tongue is no blindness. */
    public static final int LEAST = 4;

    /** Whether their answers count. */
    public boolean counts() {
        return twice < LEAST || alike > chance * twice;
    }

    /** Of everybody who was asked a pair twice. */
    static List<Steadiness> of(List<Ballot> ballots) {
        Map<String, List<Ballot>> byPerson = new LinkedHashMap<>();
        ballots.forEach(b ->
                byPerson.computeIfAbsent(b.said().by(), k -> new ArrayList<>()).add(b));
        List<Steadiness> all = new ArrayList<>();
        byPerson.forEach((who, theirs) -> of(who, theirs, all));
        return all;
    }

    private static void of(String who, List<Ballot> ballots, List<Steadiness> all) {
        int twice = 0;
        int alike = 0;
        for (Ballot again : ballots) {
            if (!again.step().again()) {
                continue;
            }
            for (Ballot first : ballots) {
                if (!first.step().again() && asksTheSame(first, again)) {
                    twice++;
                    alike += first.said().value().equals(again.said().value()) ? 1 : 0;
                    break;
                }
            }
        }
        if (twice > 0) {
            double ties = (double) ballots.stream().filter(b -> b.way() == 0).count() / ballots.size();
            all.add(new Steadiness(who, twice, alike, share(alike, twice), ties * ties + (1 - ties) * (1 - ties) / 2));
        }
    }

    private static boolean asksTheSame(Ballot one, Ballot other) {
        return one.step().question().equals(other.step().question())
                && one.step().places().containsAll(other.step().places());
    }

    private static Interval share(int k, int n) {
        double tail = (1 - Interval.LEVEL) / 2;
        return new Interval(
                k == 0 ? 0 : new BetaDistribution(k, n - k + 1).inverseCumulativeProbability(tail),
                k == n ? 1 : new BetaDistribution(k + 1, n - k).inverseCumulativeProbability(1 - tail));
    }
}
