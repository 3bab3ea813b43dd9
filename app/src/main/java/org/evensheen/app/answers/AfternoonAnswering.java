package org.evensheen.app.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Arrays;
import java.util.Currency;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.evensheen.app.sidebyside.Tellings;
import org.evensheen.app.sidebyside.Weighable;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.cost.Money;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.sidebyside.Found;
import org.evensheen.core.wear.Lives;
import org.springframework.stereotype.Component;

/** Puts every quality that an afternoon looked at on one scale, once for what was said. */
@Component
class AfternoonAnswering {
    private final Tellings tellings;
    private final Cache<Weighable, Answer> known =
            Caffeine.newBuilder().maximumSize(40).build();

    AfternoonAnswering(Tellings tellings) {
        this.tellings = tellings;
    }

    Weighable weighable(long id) {
        return tellings.weighable(id);
    }

    Answer of(Weighable w) {
        return known.get(w, this::answer);
    }

    static AnswerOf what(Weighable w) {
        String base = "/compare/" + w.id();
        return new AnswerOf(
                base,
                base + "/sheet",
                base + "/sheet",
                "How far to trust it",
                w.question(),
                w.contenders(),
                false,
                w.went());
    }

    private Answer answer(Weighable w) {
        Map<Quality, QualityScale> scales = new EnumMap<>(Quality.class);
        Map<Quality, String> level = new EnumMap<>(Quality.class);
        for (Found f : w.found().get()) {
            if (!scales.containsKey(f.quality())) {
                QualityScale.of(f.quality(), f.label(), f.drawn(), Optional.empty())
                        .ifPresentOrElse(
                                s -> scales.put(f.quality(), s),
                                () -> level.put(f.quality(), "looked at, and nothing lies between them"));
            }
        }
        level.keySet().removeAll(scales.keySet());
        Optional<Currency> currency =
                w.spent().values().stream().map(Money::currency).findFirst();
        Map<Integer, double[]> costs = new TreeMap<>();
        w.spent().forEach((number, money) -> {
            if (currency.equals(Optional.of(money.currency())) && money.amount().signum() > 0) {
                double[] same = new double[Lives.DRAWS];
                Arrays.fill(same, Math.log(money.amount().doubleValue()));
                costs.put(number, same);
            }
        });
        QualityScale.ofLogs(Quality.COST, "cost", costs, false, Optional.empty())
                .ifPresent(s -> scales.put(Quality.COST, s));
        List<Integer> products = w.contenders().stream()
                .map(c -> c.number())
                .filter(n -> scales.values().stream()
                        .filter(s -> s.quality() != Quality.COST)
                        .anyMatch(s -> s.scores().containsKey(n)))
                .toList();
        return new Answer(
                products,
                List.copyOf(scales.values()),
                costs,
                currency,
                false,
                w.footing(),
                List.of(),
                level,
                new ConcurrentHashMap<>(),
                new ConcurrentHashMap<>());
    }
}
