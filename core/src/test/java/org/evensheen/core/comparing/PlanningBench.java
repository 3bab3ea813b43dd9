package org.evensheen.core.comparing;

import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Zone;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.Plan;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.evensheen.core.study.Studies;

/** Times a layout of 40 sections and a rehearsal of 2 000 studies; run by bench/planning, not by the tests. */
final class PlanningBench {
    private static final int PRODUCTS = 8;
    private static final int STUDIES = 2000;
    private static final int FOR_THE_CURVE = 100;

    private PlanningBench() {}

    public static void main(String[] arguments) {
        BedShape flank = new BedShape(
                Outline.parse("0,0 4200,0 4200,1470 4130,1480 4060,1510 4010,1560 3980,1640 0,1640"),
                List.of(
                        new BedShape.Trim("handle", Outline.rectangle(1500, 600, 220, 60)),
                        new BedShape.Trim("cap", Outline.circle(3300, 500, 110))),
                List.of(new Zone(Zone.Kind.LOW, "low", 0, 840, 4200, 800)));
        Layout.Ask ask = Layout.Ask.filling(flank, Collections.nCopies(10, 4), 5);
        double fitted = median(
                9, () -> org.evensheen.core.layout.Fit.of(flank, 300, 250, 40).size());
        double layout = median(9, () -> Layout.draw(ask).sections().size());
        System.out.printf("placing sections of a given size once           %8.1f ms   1.0x%n", fitted);
        System.out.printf(
                "layout of 40 sections: largest that fit, and lots %7.1f ms %5.1fx   budget 300 ms: %.2f of it%n",
                layout, layout / fitted, layout / 300);

        Rehearsal.Case one = rehearsed();
        double judged = median(
                9,
                () -> Rehearsal.run(one, 20, 0, n -> {}, () -> false)
                                .orElseThrow()
                                .right()
                        + 1);
        double all = median(
                5,
                () -> Rehearsal.run(one, STUDIES, FOR_THE_CURVE, n -> {}, () -> false)
                                .orElseThrow()
                                .right()
                        + 1);
        System.out.printf("20 rehearsed studies on one core                %8.1f ms   1.0x%n", judged);
        System.out.printf(
                "2 000 of them, %d judged at every visit         %8.1f ms %5.1fx   budget 2000 ms: %.2f of it%n",
                FOR_THE_CURVE, all, all / judged, all / 2000);
    }

    private static Rehearsal.Case rehearsed() {
        Map<Integer, Rehearsal.Supposed> truth = new HashMap<>();
        for (int i = 0; i < PRODUCTS; i++) {
            truth.put(i, new Rehearsal.Supposed(9 + 0.3 * i, 12 - i));
        }
        List<Occasion> visits =
                new java.util.ArrayList<>(List.of(new Occasion(0, Stage.BARE), new Occasion(1, Stage.FRESH)));
        IntStream.rangeClosed(1, 8).forEach(i -> visits.add(new Occasion(1 + 7 * i, Stage.REWETTED)));
        return new Rehearsal.Case(
                Studies.contenders(PRODUCTS),
                Studies.grid(PRODUCTS + 1, 3),
                new Plan(List.of(new Plan.Planned(Measures.PULL, 3)), visits),
                Measures.PULL,
                18,
                truth,
                0.5,
                0.25,
                4);
    }

    private static double median(int runs, java.util.function.DoubleSupplier work) {
        double[] times = new double[runs];
        for (int i = -4; i < runs; i++) {
            long start = System.nanoTime();
            if (!(work.getAsDouble() > 0)) {
                throw new IllegalStateException("nothing was worked out");
            }
            if (i >= 0) {
                times[i] = (System.nanoTime() - start) / 1e6;
            }
        }
        Arrays.sort(times);
        return times[runs / 2];
    }
}
