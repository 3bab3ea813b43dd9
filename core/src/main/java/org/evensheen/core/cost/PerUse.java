package org.evensheen.core.cost;

import java.util.Optional;

/**
 * What one use takes out of a bottle: a wheel, a panel, a wash.
 *
 * @param ml product for one, mL, above 0
 * @param bottleMl what the bottle holds, mL, above 0
 * @param price of the bottle; empty if it is not known
 */
public record PerUse(double ml, double bottleMl, Optional<Money> price) {

    /** @throws IllegalArgumentException unless both amounts are above 0 */
    public PerUse {
        if (!(ml > 0 && bottleMl > 0)) {
            throw new IllegalArgumentException("a use takes something out of a bottle that holds something");
        }
    }

    /** How many a bottle does. */
    public double uses() {
        return bottleMl / ml;
    }

    /** What so many cost, four wheels for instance. */
    public Optional<Money> cost(int uses) {
        return price.map(p -> p.times(uses * ml).over(bottleMl));
    }

    /** How many times as much each takes as it would at a yield that was promised, in uses a bottle, above 0: 11 cars where 24 were promised is 2.2. */
    public double timesPromised(double promised) {
        return promised / uses();
    }
}
