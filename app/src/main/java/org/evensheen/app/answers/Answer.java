package org.evensheen.app.answers;

import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentMap;
import java.util.function.BiFunction;
import org.evensheen.core.answer.Onward;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.footing.Finding;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.measure.Quality;

/**
 * What stands behind the answer of a study or an afternoon, whoever asks.
 *
 * @param products numbers of the products that are ranked
 * @param scales one a quality
 * @param costs draws of the logarithm of what a protected week costs on a section, or all that went on where nothing tells how long it lasts; by contender
 * @param currency of the costs; empty without
 * @param aWeek whether costs are those of a week
 * @param hands whether the time of hands is in the costs
 * @param footing how far it can be trusted
 * @param findings what limits how far it can be trusted
 * @param unscored qualities that were measured, but give no scale, and why
 * @param next ways of going on from two that share a place, once worked out
 * @param readers what it comes to for readers that are known, once worked out
 */
record Answer(
        List<Integer> products,
        List<QualityScale> scales,
        Map<Integer, double[]> costs,
        Optional<Currency> currency,
        boolean aWeek,
        Hands hands,
        Footing footing,
        List<Finding> findings,
        Map<Quality, String> unscored,
        ConcurrentMap<Profile, Weighed> readers,
        ConcurrentMap<List<Integer>, List<Onward.Way>> next) {

    /** Whether what an hour is worth is in the costs. */
    enum Hands {
        /** Nobody asked for it. */
        FREE,
        COUNTED,
        /** Minutes are not known of all whose cost is, or no rate leads to its currency. */
        NOT_KNOWN
    }

    /** Ways of parting the first two, worked out once for each two. */
    List<Onward.Way> ways(Weighed weighed, BiFunction<Integer, Integer, List<Onward.Way>> of) {
        List<Integer> two = List.of(
                weighed.lines().get(0).contender(), weighed.lines().get(1).contender());
        return next.computeIfAbsent(two, t -> of.apply(t.get(0), t.get(1)));
    }

    /** What it comes to for a reader that is known; worked out once. */
    Weighed forReader(Profile profile) {
        return readers.computeIfAbsent(profile, p -> Weighed.of(p, products, scales));
    }

    Optional<QualityScale> scale(Quality quality) {
        return scales.stream().filter(s -> s.quality() == quality).findFirst();
    }

    /** It is worked out once and remembered as it is; what it comes to for readers is filled in later. */
    @Override
    public boolean equals(Object other) {
        return this == other;
    }

    @Override
    public int hashCode() {
        return System.identityHashCode(this);
    }
}
