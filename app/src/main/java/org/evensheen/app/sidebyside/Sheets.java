package org.evensheen.app.sidebyside;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.evensheen.core.sidebyside.Bottle;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Sheet;
import org.springframework.stereotype.Component;

/** Sheets as worked out, once for what was said; afresh as soon as anything was said, here or by another copy of the application. */
@Component
class Sheets {
    private final Clock clock;
    private final Cache<Stand, Sheet> worked =
            Caffeine.newBuilder().maximumSize(200).build();

    Sheets(Clock clock) {
        this.clock = clock;
    }

    /** What a sheet follows from: what was said is only ever added to. */
    private record Stand(long id, int said, int rounds, List<Bottle> bottles) {}

    Sheet of(long id, Comparison c) {
        Instant now = Instant.now(clock);
        if (c.said().isEmpty()) {
            return Sheet.of(c, now);
        }
        List<Bottle> bottles =
                c.contenders().stream().map(x -> c.bottle(x.number())).toList();
        return worked.get(new Stand(id, c.said().size(), c.rounds(), bottles), stand -> Sheet.of(c, now));
    }
}
