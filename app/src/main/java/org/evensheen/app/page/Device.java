package org.evensheen.app.page;

import java.time.Duration;
import java.time.Instant;

/**
 * When something was done on a device. The device says how long ago that was; what its own clock shows does not matter.
 */
public final class Device {
    /** What was kept on a device for longer than this is dated at its arrival. */
    public static final Duration LONGEST_AWAY = Duration.ofDays(3);

    private Device() {}

    /** The time by this server's clock. */
    public static Instant at(long agoMillis, Instant now) {
        return agoMillis <= 0 || agoMillis > LONGEST_AWAY.toMillis() ? now : now.minusMillis(agoMillis);
    }
}
