package org.evensheen.app.verdicts;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;
import org.evensheen.core.comparing.Verdict;

/**
 * Tape that joins what can't be told apart: one strip for every longest run of products, in the order of the results, of
 * which no two can be told apart. Strips that overlap lie in lanes side by side.
 */
public final class Strips {
    private Strips() {}

    /** For every row, what each lane shows: "", "single", "start", "middle" or "end". */
    static List<List<String>> of(Verdict verdict) {
        return of(
                verdict.results().size(),
                (one, other) -> verdict.apart(
                        verdict.results().get(one), verdict.results().get(other)));
    }

    /**
     * The same for any ranking.
     *
     * @param n rows, best first
     * @param apart whether two rows can be told apart
     */
    public static List<List<String>> of(int n, BiPredicate<Integer, Integer> apart) {
        List<int[]> runs = new ArrayList<>();
        int reached = -1;
        for (int i = 0; i < n; i++) {
            int end = i;
            while (end + 1 < n && joins(apart, i, end + 1)) {
                end++;
            }
            if (end > reached) {
                runs.add(new int[] {i, end});
                reached = end;
            }
        }
        List<List<int[]>> lanes = lanes(runs);
        List<List<String>> rows = new ArrayList<>();
        for (int row = 0; row < n; row++) {
            int at = row;
            rows.add(lanes.stream().map(lane -> state(lane, at)).toList());
        }
        return rows;
    }

    /** Each run goes into the first lane that is free by then, so that only overlapping strips need a second. */
    private static List<List<int[]>> lanes(List<int[]> runs) {
        List<List<int[]>> lanes = new ArrayList<>();
        for (int[] run : runs) {
            lanes.stream()
                    .filter(lane -> lane.get(lane.size() - 1)[1] < run[0])
                    .findFirst()
                    .orElseGet(() -> {
                        lanes.add(new ArrayList<>());
                        return lanes.get(lanes.size() - 1);
                    })
                    .add(run);
        }
        return lanes;
    }

    private static boolean joins(BiPredicate<Integer, Integer> apart, int from, int to) {
        for (int k = from; k < to; k++) {
            if (apart.test(k, to)) {
                return false;
            }
        }
        return true;
    }

    private static String state(List<int[]> lane, int row) {
        return lane.stream()
                .filter(run -> run[0] <= row && row <= run[1])
                .findFirst()
                .map(run -> run[0] == run[1] ? "single" : row == run[0] ? "start" : row == run[1] ? "end" : "middle")
                .orElse("");
    }
}
