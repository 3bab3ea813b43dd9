package org.evensheen.app.readings;

import java.math.BigDecimal;
import org.evensheen.core.study.Observation;
import org.jspecify.annotations.Nullable;

/** An observation as the columns of the database and of the readings file. Decimals go out as they came in. */
final class Columns {
    private Columns() {}

    static BigDecimal amount(Observation seen) {
        return decimal(seen.amount());
    }

    static @Nullable BigDecimal width(Observation seen) {
        return seen instanceof Observation.DropShape drop ? decimal(drop.widthMm()) : null;
    }

    static @Nullable String kind(Observation seen) {
        return seen instanceof Observation.Graded graded ? graded.kind().code() : null;
    }

    /** The shortest decimal that reads back as the same double. */
    static BigDecimal decimal(double value) {
        BigDecimal exact = new BigDecimal(Double.toString(value)).stripTrailingZeros();
        return exact.scale() < 0 ? exact.setScale(0) : exact;
    }
}
