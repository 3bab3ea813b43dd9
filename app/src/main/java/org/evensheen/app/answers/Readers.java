package org.evensheen.app.answers;

import java.util.Currency;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evensheen.app.page.Hands;
import org.evensheen.app.page.Refused;
import org.evensheen.app.page.Units;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.PriceLine;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.UnitSystem;
import org.springframework.stereotype.Component;

/** Who asks, and by what weights: as a form sends it. */
@Component
class Readers {
    private static final int NAME = 60;

    private final ProfileStore profiles;

    Readers(ProfileStore profiles) {
        this.profiles = profiles;
    }

    /** The reader who asks: one that is known, with the weights that were moved. */
    static AnswerPage.Asked asked(Map<String, String> sent, List<Profile> all) {
        Profile chosen = all.stream()
                .filter(p -> p.code().equals(sent.get("for")))
                .findFirst()
                .orElse(all.get(0));
        Map<Quality, Integer> weights = new EnumMap<>(chosen.weights());
        String problem = "";
        String typedHour = sent.getOrDefault("hour", "").strip();
        Optional<Money> hour = Optional.empty();
        if (!typedHour.isEmpty()) {
            PriceLine.Typed read = PriceLine.read(typedHour, Optional.of(home()));
            hour = read.price().filter(h -> h.amount().signum() > 0);
            problem = read.problem()
                    .map(p -> "An hour is a price like 30 EUR. " + p)
                    .orElse("");
        }
        for (Quality q : Quality.values()) {
            String typed = sent.getOrDefault(q.code(), "").strip();
            if (typed.matches("\\d{1,2}") && Integer.parseInt(typed) <= Profile.MOST) {
                weights.put(q, Integer.parseInt(typed));
            } else if (!typed.isEmpty()) {
                problem = "A weight is a whole number from 0 to %d; %s was left at %d."
                        .formatted(Profile.MOST, AnswerWords.lower(q), chosen.weight(q));
            }
        }
        if (weights.values().stream().allMatch(w -> w == 0)) {
            return new AnswerPage.Asked(
                    chosen,
                    all,
                    hour,
                    "Something has to matter: move one weight at least. The weights of “%s” stand."
                            .formatted(chosen.name()));
        }
        return new AnswerPage.Asked(
                weights.equals(chosen.weights())
                        ? chosen
                        : new Profile(chosen.code() + "+", chosen.name() + ", moved", weights),
                all,
                hour,
                problem);
    }

    /** The currency of whoever types a number alone. */
    private static Currency home() {
        return Currency.getInstance(Units.now() == UnitSystem.US ? "USD" : "EUR");
    }

    /** Keeps weights under a name, and gives its code. */
    String keep(Map<String, String> sent, Hands hands) {
        String name = PlainText.line(sent.getOrDefault("name", ""));
        if (name.isEmpty() || name.length() > NAME || !PlainText.readable(name)) {
            throw new Refused("Give the reader a name of up to %d characters. Nothing was kept.".formatted(NAME));
        }
        if (Profile.shipped().stream().anyMatch(p -> p.name().equalsIgnoreCase(name))) {
            throw new Refused("“%s” comes with the program. Choose another name; nothing was kept.".formatted(name));
        }
        AnswerPage.Asked asked = asked(sent, profiles.all());
        if (!asked.problem().isEmpty()) {
            throw new Refused(asked.problem());
        }
        return profiles.keep(name, asked.profile().weights(), hands.name());
    }
}
