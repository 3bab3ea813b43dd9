package org.evensheen.core.comparing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.hipparchus.random.Well19937a;

/** Times a verdict on one core; run by bench/verdict, not by the tests. */
final class VerdictBench {
    private static final int PRODUCTS = 12;
    private static final int ROWS = 3;
    private static final int VISITS = 12;

    private VerdictBench() {}

    public static void main(String[] arguments) {
        List<Reading> readings = new ArrayList<>();
        List<Section> sections = Studies.grid(PRODUCTS + 1, ROWS);
        Random random = new Random(1);
        for (int visit = 0; visit <= VISITS; visit++) {
            Occasion at = new Occasion(1 + 7 * visit, visit == 0 ? Stage.FRESH : Stage.REWETTED);
            for (Section section : sections) {
                for (int repeat = 1; repeat <= 3; repeat++) {
                    double pull = 8 + section.contender() * 0.7 + visit * 0.2 + random.nextGaussian() * 0.3;
                    double height = 1.2 + section.contender() * 0.05 + random.nextGaussian() * 0.02;
                    readings.add(new Reading(section.code(), at.day(), at.stage(), repeat, Measures.PULL.of(pull)));
                    readings.add(
                            new Reading(section.code(), at.day(), at.stage(), repeat, Measures.DROP.of(height, 3.4)));
                }
            }
        }
        double baseline = median(VerdictBench::baseline);
        double pull = median(() -> judge(sections, readings, Measures.PULL));
        double drop = median(() -> judge(sections, readings, Measures.DROP));
        System.out.printf(
                "%d readings, %d products x %d sections x %d visits, 10000 draws, medians of 15 runs after 10%n",
                readings.size(), PRODUCTS, ROWS, VISITS);
        System.out.printf("baseline (120000 normal draws)   %7.1f ms   1.0x%n", baseline);
        System.out.printf(
                "verdict on pull, from readings   %7.1f ms  %4.1fx   budget 150 ms: %.2f of it%n",
                pull, pull / baseline, pull / 150);
        System.out.printf(
                "verdict on drop, from readings   %7.1f ms  %4.1fx   budget 150 ms: %.2f of it%n",
                drop, drop / baseline, drop / 150);
    }

    private static double judge(List<Section> sections, List<Reading> readings, Measure measure) {
        StudyRecord study =
                new StudyRecord(7, Studies.contenders(PRODUCTS), sections, Studies.plan(3), List.of(), readings);
        return Judge.verdict(study, measure, 1 + 7 * VISITS, Optional.empty())
                .orElseThrow()
                .results()
                .get(0)
                .mean()
                .value();
    }

    private static double baseline() {
        Well19937a random = new Well19937a(3);
        double sum = 0;
        for (int i = 0; i < 120_000; i++) {
            sum += random.nextGaussian();
        }
        return sum;
    }

    private static double median(java.util.function.DoubleSupplier work) {
        double[] times = new double[15];
        for (int i = -10; i < times.length; i++) {
            long start = System.nanoTime();
            if (Double.isNaN(work.getAsDouble())) {
                throw new IllegalStateException("not a number");
            }
            if (i >= 0) {
                times[i] = (System.nanoTime() - start) / 1e6;
            }
        }
        Arrays.sort(times);
        return times[times.length / 2];
    }
}
