package org.evensheen.core.label;

import java.util.Arrays;

/** Times the reading of label lines; run by bench/label. */
final class LabelBench {
    private static final String SHORT =
            "rinseless 1:240; drying aid 1:60; wait 1-3 min; dry 12 h; lasts 6 months; 500 mL 18.40 EUR";
    private static final String LONG = SHORT
            + "; seal 3–5 sprays per section; section 60 × 60 cm; buff; 2 coats; next layer 1 h; panel 8–28 °C; no sun;"
            + " for paint, glass, trim, wheels; not for matt paint; pH 6.5–7.5; 2 L 59.00 EUR; 16 US fl oz 21.00 USD;"
            + " keeps 24 months; mix keeps 14 days; scent willow; caution acid, iron remover, not for brakes or tread";
    private static final String WRONG =
            "rinseless 240:1; wait 3-1 min; 500 mL 1,250 EUR; for bumper; magic; wash 120 %; panel 30-5 °C";

    private LabelBench() {}

    public static void main(String[] arguments) {
        double split = median(() -> LONG.split(";").length);
        for (String line : new String[] {SHORT, LONG, WRONG}) {
            double took = median(() -> LabelLine.read(line).parts().size());
            System.out.printf(
                    "%2d parts: %7.4f ms a line, %6.1fx of splitting the long one at its semicolons, %.3f of the 1 ms allowed%n",
                    LabelLine.read(line).parts().size(), took, took / split, took);
        }
    }

    private static double median(java.util.function.IntSupplier work) {
        double[] times = new double[31];
        int parts = 0;
        for (int i = -20; i < times.length; i++) {
            long start = System.nanoTime();
            for (int j = 0; j < 1000; j++) {
                parts += work.getAsInt();
            }
            if (i >= 0) {
                times[i] = (System.nanoTime() - start) / 1e9;
            }
        }
        if (parts <= 0) {
            throw new IllegalStateException("nothing was read");
        }
        Arrays.sort(times);
        return times[times.length / 2];
    }
}
