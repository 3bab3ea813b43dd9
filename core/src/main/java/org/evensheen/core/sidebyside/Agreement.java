package org.evensheen.core.sidebyside;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.evensheen.core.sidebyside.Comparison.Ballot;
import org.hipparchus.random.Well19937a;

/**
 * Whether those who answered a question about pairs prefer the same.
 *
 * <p>Without judge × product everybody answers a pair as all of them do together; how far each one's wins less losses of each contender lie from that, squared and summed, is
 * held against the same when who said what is exchanged at random within each pair. That needs no likelihood, which with a handful of answers has no maximum to compare.
 *
 * @param people who answered, by name, two or more
 * @param both pairs of contenders that were answered by two people, counted for each two of them
 * @param alike of these, how many were answered alike
 * @param chance of lying so far apart if all prefer the same, from {@link #DRAWS} exchanges; never below what their number of answers allows
 * @param least no chance can be less than this, whoever of them had said what; above {@link #LIMIT} nothing can be told
 */
public record Agreement(Question question, List<String> people, int both, int alike, double chance, double least) {
    static final int DRAWS = 1999;
    /** Up to this chance they are said to differ. */
    public static final double LIMIT = 0.05;

    /** Whether they are told to prefer differently. */
    public boolean differ() {
        return chance <= LIMIT;
    }

    /** Whether so few answers could tell it at all. */
    public boolean canTell() {
        return least <= LIMIT;
    }

    /** One for each question about pairs that two people or more answered. */
    static List<Agreement> of(Comparison c, Set<String> unused) {
        List<Agreement> all = new ArrayList<>();
        for (Question q : c.questions()) {
            List<Cast> casts = c.ballots(q).stream()
                    .filter(b -> !unused.contains(b.said().by()))
                    .map(b -> cast(c, b))
                    .filter(b -> b.one != b.other)
                    .toList();
            List<String> people =
                    List.copyOf(casts.stream().map(Cast::by).collect(Collectors.toCollection(TreeSet::new)));
            if (people.size() > 1) {
                all.add(of(c, q, people, casts));
            }
        }
        return List.copyOf(all);
    }

    private static Agreement of(Comparison c, Question q, List<String> people, List<Cast> casts) {
        int[] by = casts.stream().mapToInt(b -> people.indexOf(b.by)).toArray();
        Map<List<Integer>, List<Integer>> pairs = new HashMap<>();
        for (int i = 0; i < by.length; i++) {
            pairs.computeIfAbsent(List.of(casts.get(i).one, casts.get(i).other), k -> new ArrayList<>())
                    .add(i);
        }
        int both = 0;
        int alike = 0;
        double ways = 0;
        for (List<Integer> pair : pairs.values()) {
            for (int i : pair) {
                for (int j : pair) {
                    if (by[i] < by[j]) {
                        both++;
                        alike += casts.get(i).way == casts.get(j).way ? 1 : 0;
                    }
                }
            }
            // Where all said the same, an exchange changes nothing.
            ways += pair.stream().mapToInt(i -> casts.get(i).way).distinct().count() > 1 ? logWays(pair, by) : 0;
        }
        int contenders = c.contenders().size();
        double found = apart(casts, by, people.size(), contenders, pairs);
        Well19937a random = new Well19937a(c.seed());
        int asFar = 1;
        for (int draw = 0; draw < DRAWS; draw++) {
            pairs.values().forEach(pair -> exchange(pair, by, random));
            asFar += apart(casts, by, people.size(), contenders, pairs) >= found - 1e-9 ? 1 : 0;
        }
        return new Agreement(
                q, people, both, alike, asFar / (DRAWS + 1.0), Math.max(1 / (DRAWS + 1.0), Math.exp(-ways)));
    }

    /** ln of the number of ways in which who said what can be exchanged within a pair. */
    private static double logWays(List<Integer> pair, int[] by) {
        double ways = org.hipparchus.special.Gamma.logGamma(pair.size() + 1.0);
        for (long same : pair.stream()
                .collect(Collectors.groupingBy(i -> by[i], Collectors.counting()))
                .values()) {
            ways -= org.hipparchus.special.Gamma.logGamma(same + 1.0);
        }
        return ways;
    }

    private static void exchange(List<Integer> pair, int[] by, Well19937a random) {
        for (int i = pair.size() - 1; i > 0; i--) {
            int one = pair.get(i);
            int other = pair.get(random.nextInt(i + 1));
            int kept = by[one];
            by[one] = by[other];
            by[other] = kept;
        }
    }

    private static double apart(
            List<Cast> casts, int[] by, int people, int contenders, Map<List<Integer>, List<Integer>> pairs) {
        double[][] net = new double[people][contenders];
        pairs.forEach((pair, indices) -> {
            double mean =
                    indices.stream().mapToInt(i -> casts.get(i).way).average().orElse(0);
            for (int i : indices) {
                double beyond = casts.get(i).way - mean;
                net[by[i]][pair.get(0)] += beyond;
                net[by[i]][pair.get(1)] -= beyond;
            }
        });
        double sum = 0;
        for (double[] one : net) {
            for (double n : one) {
                sum += n * n;
            }
        }
        return sum;
    }

    private static Cast cast(Comparison c, Ballot b) {
        int first = c.on(b.step().places().get(0)).number();
        int second = c.on(b.step().places().get(1)).number();
        return first <= second
                ? new Cast(b.said().by(), first, second, b.way())
                : new Cast(b.said().by(), second, first, -b.way());
    }

    /** An answer, the contender with the lower number first; {@code way} 1 if that one won, −1 if the other, 0 if neither. */
    private record Cast(String by, int one, int other, int way) {}
}
