package org.evensheen.app.runsheet;

import java.util.Optional;
import org.evensheen.core.runsheet.Step;
import org.evensheen.core.units.TypedNumber;

/**
 * How much was put on: counted, typed, or weighed as what the bottle lost between two weighings.
 *
 * @param amount in what the label counts, or mL; empty for as planned
 * @param wrong what is wrong with what was typed; empty if nothing is
 */
record Given(Optional<Double> amount, Optional<RunKeeper.Outcome> wrong) {
    private static final Given AS_PLANNED = new Given(Optional.empty(), Optional.empty());
    private static final double HEAVIEST = 60_000;

    static Given of(Run run, Optional<Step> step, RunKeeper.Sent sent) {
        if (!sent.in("before").isEmpty() || !sent.in("after").isEmpty()) {
            return weighed(run, step, sent);
        }
        if (sent.in("given").isEmpty()) {
            return AS_PLANNED;
        }
        TypedNumber read = TypedNumber.read(sent.in("given"), "amount", "of it", 0.01, 10_000);
        return read instanceof TypedNumber.Read number
                ? new Given(Optional.of(number.value()), Optional.empty())
                : wrong("given", ((TypedNumber.Refused) read).message());
    }

    /** A bottle on a scale set to zero weighs less than nothing afterwards. */
    private static Given weighed(Run run, Optional<Step> step, RunKeeper.Sent sent) {
        TypedNumber before = TypedNumber.read(sent.in("before"), "weight before", "g", -HEAVIEST, HEAVIEST);
        TypedNumber after = TypedNumber.read(sent.in("after"), "weight after", "g", -HEAVIEST, HEAVIEST);
        if (before instanceof TypedNumber.Refused refused) {
            return wrong("before", refused.message());
        }
        if (after instanceof TypedNumber.Refused refused) {
            return wrong("after", refused.message());
        }
        double grams = ((TypedNumber.Read) before).value() - ((TypedNumber.Read) after).value();
        if (grams <= 0) {
            return wrong("after", "After it was used the bottle weighs less than before. Type both weights, in g.");
        }
        Optional<Double> amount = step.flatMap(s -> run.dose(s)
                .flatMap(
                        d -> d.weighed(grams, 1.0, s.act().orElseThrow().layer().calibrations())));
        return amount.isPresent()
                ? new Given(amount, Optional.empty())
                : wrong(
                        "after",
                        "Its spray is not calibrated, so grams are no sprays yet. Count them, or calibrate it in the Mixer.");
    }

    private static Given wrong(String field, String problem) {
        return new Given(Optional.empty(), Optional.of(RunKeeper.Outcome.wrong(field, problem)));
    }
}
