package org.evensheen.core.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.layout.Places;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;

/** An afternoon to be answered: two soaps on half a bonnet each, unless a test has another. */
abstract class AnAfternoon {
    static final Instant TWO = Instant.parse("2026-06-06T14:00:00Z");

    final List<Said> said = new ArrayList<>();
    List<Section> places = Places.HALVES.deal(2, 1, 7);
    boolean knew = true;
    String by = "Ana";
    List<Bottle> bottles = List.of();

    Comparison soaps() {
        return soaps(Set.of("foam", "glide", "gone"));
    }

    Comparison soaps(Set<String> asked) {
        return new Comparison(Kind.SOAP, Places.HALVES, 7, contenders(2), bottles, places, asked, said, TWO);
    }

    static List<Contender> contenders(int n) {
        return IntStream.range(0, n)
                .mapToObj(i -> new Contender(
                        i,
                        "",
                        Contender.Role.PRODUCT,
                        Optional.empty(),
                        Source.UNDISCLOSED,
                        Contender.Kind.ROUTINE,
                        "way " + i))
                .toList();
    }

    void say(String step, String value) {
        assertThat(soaps(Set.of("foam", "glide", "gone", "spots")).wrong(step, value))
                .as(step)
                .isEmpty();
        said.add(new Said(step, value, by, knew, TWO.plusSeconds(60L * said.size())));
    }

    List<String> keys() {
        return soaps().steps().stream().map(Step::key).toList();
    }

    Sheet sheet() {
        return Sheet.of(soaps(), TWO.plusSeconds(3600));
    }

    Sheet.Row row(String code) {
        return sheet().rows().stream()
                .filter(r -> r.question().code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    String pair() {
        return keys().stream().filter(k -> k.startsWith("glide/")).findFirst().orElseThrow();
    }

    Comparison of(Kind kind, Places shape, int n, Set<String> asked, long seed) {
        return new Comparison(kind, shape, seed, contenders(n), bottles, shape.deal(n, 1, seed), asked, said, TWO);
    }

    static Step step(Comparison c, String beginning) {
        return c.steps().stream()
                .filter(s -> s.key().startsWith(beginning))
                .findFirst()
                .orElseThrow();
    }

    static Bottle bottle(String asked) {
        return new Bottle(
                LabelLine.readDose(asked).dose().stream().toList(),
                List.of(new Calibration(Counter.SPRAY, 1.2)),
                Optional.empty(),
                Money.currency("EUR").map(e -> Money.of("0.02", "EUR")),
                OptionalDouble.of(500),
                java.util.Map.of(),
                false);
    }
}
