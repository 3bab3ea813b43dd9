package org.evensheen.core.footing;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.evensheen.core.footing.BlindReview.Look;
import org.evensheen.core.footing.BlindReview.Seen;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Who knew what a code stands for when they looked at its place. */
class BlindReviewTest {
    private static final Instant NOON = Instant.parse("2026-06-06T12:00:00Z");

    private static Instant at(int minutes) {
        return NOON.plusSeconds(60L * minutes);
    }

    /** Ana saw what A stands for at noon; the key is opened for everybody at ten past. */
    @ParameterizedTest
    @CsvSource({
        "A, 0, Ana, true",
        "A, 5, Ana, true",
        "A, -1, Ana, false",
        "B, 5, Ana, false",
        "A, 5, Ben, false",
        "B, 9, Ben, false",
        "B, 10, Ben, true",
        "B, 11, Ben, true"
    })
    void whoeverHadSeenTheNameDidNotLookBlind(String section, int minutes, String by, boolean knew) {
        Optional<Finding> found = BlindReview.of(
                List.of(new Look(section, at(minutes), by)),
                List.of(new Seen(Set.of("A"), NOON, "Ana")),
                Optional.of(at(10)),
                false);
        assertThat(found.isPresent()).isEqualTo(knew);
        found.ifPresent(f -> {
            assertThat(f.kind()).isEqualTo(Finding.Kind.NOT_BLIND);
            assertThat(f.numbers()).contains("1 of 1 readings", by);
        });
    }

    @Test
    void whoeverWasGivenOneAndKnewIsAnotherMatterAndAllWhoKnewAreNamed() {
        Finding found = BlindReview.of(
                        List.of(new Look("A", at(1), "Ben"), new Look("A", at(2), "Ana"), new Look("B", at(2), "Cy")),
                        List.of(new Seen(Set.of("A"), NOON, "Ana"), new Seen(Set.of("A"), NOON, "Ben")),
                        Optional.empty(),
                        true)
                .orElseThrow();
        assertThat(found.kind()).isEqualTo(Finding.Kind.GIFT_JUDGED_BY_EYE);
        assertThat(found.numbers()).contains("2 of 3 readings", ": Ana, Ben.");
        assertThat(BlindReview.of(List.of(), List.of(), Optional.of(NOON), true))
                .isEmpty();
    }
}
