package org.evensheen.app.league;

import org.evensheen.app.live.LiveApp;

/** Goes through studies for the league, which no test does in the background. */
public final class Rounds {
    private Rounds() {}

    /** Until none has moved on since. */
    public static void untilNoneIsStale() {
        Findings findings = LiveApp.bean(Findings.class);
        for (int i = 0; i < 400 && findings.refresh() > 0; i++) {
            // until nothing is stale
        }
    }
}
