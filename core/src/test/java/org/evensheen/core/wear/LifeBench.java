package org.evensheen.core.wear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleSupplier;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Happening;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.hipparchus.random.Well19937a;

/** Times the lives of 12 products × 3 sections × 26 visits on one core; run by bench/life, not by the tests. */
final class LifeBench {
    private static final int PRODUCTS = 12;
    private static final int ROWS = 3;
    private static final int VISITS = 26;

    private LifeBench() {}

    public static void main(String[] arguments) {
        List<Section> sections = Studies.grid(PRODUCTS + 1, ROWS);
        List<Reading> readings = new ArrayList<>();
        Random random = new Random(1);
        for (int visit = 0; visit <= VISITS; visit++) {
            Occasion at = new Occasion(7 * visit, visit == 0 ? Stage.FRESH : Stage.REWETTED);
            for (Section s : sections) {
                double left = Math.exp(-visit / (3.0 + 1.4 * s.contender()) / (1 + 0.1 * (s.row() - 2)));
                for (int repeat = 1; repeat <= 3; repeat++) {
                    double pull = s.contender() == PRODUCTS ? 18 : 18 - 9 * left;
                    readings.add(
                            new Reading(s.code(), at, repeat, Measures.PULL.of(pull + 0.25 * random.nextGaussian())));
                }
            }
        }
        double baseline = median(() -> {
            Well19937a normal = new Well19937a(7);
            double sum = 0;
            for (int i = 0; i < 120_000; i++) {
                sum += normal.nextGaussian();
            }
            return sum;
        });
        double took = median(() -> Wear.of(
                        new StudyRecord(
                                7,
                                Studies.contenders(PRODUCTS),
                                sections,
                                Studies.plan(3),
                                List.of(new Happening(0, Happening.Kind.APPLIED)),
                                readings),
                        Measures.PULL,
                        Axis.WEEKS,
                        7 * VISITS,
                        Map.of())
                .over());
        System.out.printf(
                java.util.Locale.ROOT,
                "%d readings, %d products x %d sections x %d visits, medians of 15 runs after 10%n"
                        + "baseline (120000 normal draws)   %7.1f ms   1.0x%n"
                        + "lives, from readings             %7.1f ms  %4.1fx   budget 250 ms: %.2f of it%n",
                readings.size(),
                PRODUCTS,
                ROWS,
                VISITS,
                baseline,
                took,
                took / baseline,
                took / 250);
    }

    private static double median(DoubleSupplier work) {
        double[] times = new double[25];
        for (int i = 0; i < times.length; i++) {
            long start = System.nanoTime();
            if (Double.isNaN(work.getAsDouble())) {
                throw new IllegalStateException("nothing came of it");
            }
            times[i] = (System.nanoTime() - start) / 1e6;
        }
        double[] kept = Arrays.copyOfRange(times, 10, times.length);
        Arrays.sort(kept);
        return kept[kept.length / 2];
    }
}
