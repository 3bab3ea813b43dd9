package org.evensheen.app.sidebyside;

import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.evensheen.core.sidebyside.Comparison;
import org.evensheen.core.sidebyside.Step;
import org.springframework.stereotype.Component;

/** Works out anew which looks of a comparison are still to come, from what was said. */
@Component
public class LookKeeper {
    private final ComparisonStore store;

    LookKeeper(ComparisonStore store) {
        this.store = store;
    }

    /** Looks of a comparison that are open and have a time, wherever any are asked for. */
    public void keep(long id) {
        Comparison c = store.load(id);
        if (c.questions().stream().allMatch(q -> q.later().isEmpty())) {
            return;
        }
        store.keepLooks(
                id,
                coming(c).stream()
                        .map(s -> new ComparisonStore.Look(
                                id,
                                s.key(),
                                s.question().orElseThrow().ask(),
                                s.due(ZoneId.systemDefault()).orElseThrow()))
                        .toList());
    }

    /** Of each question whose time is known, the first place that was not looked at in a round. */
    static List<Step> coming(Comparison c) {
        Set<String> told = new HashSet<>();
        return c.steps().stream()
                .filter(s -> !s.done() && s.due(ZoneId.systemDefault()).isPresent())
                .filter(s -> told.add(s.round() + s.question().orElseThrow().code()))
                .toList();
    }
}
