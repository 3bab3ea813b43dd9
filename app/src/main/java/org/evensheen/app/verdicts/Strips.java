package org.evensheen.app.verdicts;

import java.util.ArrayList;
import java.util.List;
import org.evensheen.core.comparing.Verdict;

/**
 * Tape that joins what can't be told apart: one strip for every longest run of products, in the order of the results, of
 * which no two can be told apart. Strips may overlap; each has a lane of its own.
 */
final class Strips {
    private Strips() {}

    /** For every row, what each lane shows: "", "single", "start", "middle" or "end". */
    static List<List<String>> of(Verdict verdict) {
        int n = verdict.results().size();
        List<int[]> runs = new ArrayList<>();
        int reached = -1;
        for (int i = 0; i < n; i++) {
            int end = i;
            while (end + 1 < n && joins(verdict, i, end + 1)) {
                end++;
            }
            if (end > reached) {
                runs.add(new int[] {i, end});
                reached = end;
            }
        }
        List<List<String>> rows = new ArrayList<>();
        for (int row = 0; row < n; row++) {
            List<String> lanes = new ArrayList<>();
            for (int[] run : runs) {
                lanes.add(state(run, row));
            }
            rows.add(lanes);
        }
        return rows;
    }

    private static boolean joins(Verdict verdict, int from, int to) {
        for (int k = from; k < to; k++) {
            if (verdict.apart(verdict.results().get(k), verdict.results().get(to))) {
                return false;
            }
        }
        return true;
    }

    private static String state(int[] run, int row) {
        if (row < run[0] || row > run[1]) {
            return "";
        }
        if (run[0] == run[1]) {
            return "single";
        }
        return row == run[0] ? "start" : row == run[1] ? "end" : "middle";
    }
}
