package org.evensheen.app.answers;

import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.footing.Footing;
import org.evensheen.core.measure.Quality;

/**
 * What stands behind the answer of a study, whoever asks.
 *
 * @param products numbers of the products that are ranked
 * @param scales one a quality
 * @param costs draws of the logarithm of what a protected week costs on a section, or all that went on where nothing tells how long it lasts; by contender
 * @param currency of the costs; empty without
 * @param aWeek whether costs are those of a week
 * @param unscored qualities that were measured, but give no scale, and why
 */
record Answer(
        List<Integer> products,
        List<QualityScale> scales,
        Map<Integer, double[]> costs,
        Optional<Currency> currency,
        boolean aWeek,
        Footing footing,
        Map<Quality, String> unscored) {

    Optional<QualityScale> scale(Quality quality) {
        return scales.stream().filter(s -> s.quality() == quality).findFirst();
    }
}
