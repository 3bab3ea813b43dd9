package org.evensheen.app.plans;

import java.util.List;
import org.evensheen.core.comparing.Rehearsal.Outcome;

/**
 * What a rehearsal found, as it is stored.
 *
 * @param best the truly best product
 * @param unit of the measure
 * @param equalsApart share of equal pairs that were called different
 * @param more what more effort would buy
 */
record Found(
        int studies,
        String best,
        String unit,
        double right,
        double shared,
        double wrong,
        double equalsApart,
        double width,
        double leastDetectable,
        List<Point> byDay,
        List<More> more) {

    /** A visit and how often the best stood alone by then. */
    record Point(int day, double right) {}

    /** More of something. */
    record More(String what, double right, double width, double hours, double millilitres) {}

    static Found of(String best, String unit, Outcome outcome, double equalsApart, List<More> more) {
        return new Found(
                outcome.studies(),
                best,
                unit,
                outcome.right(),
                outcome.shared(),
                outcome.wrong(),
                outcome.equalsApart().orElse(equalsApart),
                outcome.width(),
                outcome.leastDetectable(),
                outcome.byDay().stream().map(p -> new Point(p.day(), p.right())).toList(),
                more);
    }
}
