package org.evensheen.core.schedule;

import java.util.List;

/** Plans for one pair of hands; whoever asks for a sheet may remember plans, as the same question has the same answer. */
@FunctionalInterface
public interface HandPlanner {
    /**
     * @param busy seconds until the hands are free
     */
    HandPlan plan(List<HandJob> jobs, double busy);
}
