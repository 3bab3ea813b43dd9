package org.evensheen.app.answers;

import java.util.List;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.answer.Worth;
import org.evensheen.core.measure.Quality;

/** Cost against what a reader gets for it. */
final class Worths {
    private Worths() {}

    static Worth of(Answer answer, Profile profile) {
        boolean onlyCost =
                profile.weights().entrySet().stream().allMatch(e -> e.getValue() == 0 || e.getKey() == Quality.COST);
        if (onlyCost || answer.costs().isEmpty()) {
            return new Worth(List.of());
        }
        return Worth.of(Weighed.of(profile.with(Quality.COST, 0), answer.products(), answer.scales()), answer.costs());
    }
}
