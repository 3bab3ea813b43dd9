package org.evensheen.core.runsheet;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * Something that runs by itself: a wait, a dwell, a cure.
 *
 * @param step the step that ends it; empty for one that nothing ends
 * @param opens from then on it may be ended
 * @param closes it should be ended before then; empty if there is no end
 */
public record Clock(String step, String title, List<String> sections, Instant opens, Optional<Instant> closes) {}
