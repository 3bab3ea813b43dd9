package org.evensheen.app.answers;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import org.evensheen.core.answer.Onward;
import org.evensheen.core.answer.Profile;
import org.evensheen.core.answer.QualityScale;
import org.evensheen.core.answer.Weighed;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.study.Contender;
import org.junit.jupiter.api.Test;

/** What would settle an answer, in words. */
class NextPageTest {
    private static final Profile LIFE = new Profile("l", "Life", Map.of(Quality.LIFE, 5));

    private static Contender product(int number, String name) {
        return new Contender(
                number,
                name,
                Contender.Role.PRODUCT,
                Optional.empty(),
                Contender.Source.BOUGHT,
                Contender.Kind.PRODUCT,
                "");
    }

    private static AnswerOf of() {
        return new AnswerOf(
                "/studies/1",
                "/studies/1",
                "/studies/1/verdict",
                "Footing",
                "Which lasts?",
                List.of(product(0, "Osier"), product(1, "Brock")),
                true,
                "section",
                List.of());
    }

    /** Two products whose lives are told to within a share. */
    private static Weighed weighed(double other, double error) {
        Map<Integer, double[]> logs = new TreeMap<>();
        Random random = new Random(3);
        for (int number = 0; number < 2; number++) {
            double middle = Math.log(number == 0 ? 100 : other);
            logs.put(
                    number,
                    random.doubles(4000)
                            .map(u -> middle + error * random.nextGaussian())
                            .toArray());
        }
        return Weighed.of(
                LIFE,
                List.of(0, 1),
                List.of(QualityScale.ofLogs(Quality.LIFE, "life", logs, true, Optional.empty())
                        .orElseThrow()));
    }

    private static Onward.Way way(Onward.Kind kind, int times, double minutes, double weeks, double left) {
        return new Onward.Way(kind, times, minutes, weeks, Map.of(Quality.LIFE, left));
    }

    @Test
    void eachKindOfWayIsToldWithItsWorkAndHowOftenItParts() {
        NextPage next = NextPage.of(
                of(),
                weighed(80, 0.12),
                List.of(
                        way(Onward.Kind.SECTIONS, 1, 33, 0, 0.9),
                        way(Onward.Kind.VISITS, 4, 120, 8, 0.01),
                        way(Onward.Kind.VISITS, 1, 30, 1, 0.95),
                        way(Onward.Kind.AGAIN, 2, 300, 12, 0.02),
                        way(Onward.Kind.ROUNDS, 1, 91, 0, 0.9),
                        way(Onward.Kind.TWO_ALONE, 8, 91, 0, 0.5)));
        assertThat(next.lines())
                .extracting(NextPage.Line::what)
                .containsExactly(
                        "4 more visits, one every 2 weeks",
                        "The study once more, with 2 sections of each",
                        "One more section of each, with first readings",
                        "One more round with sides exchanged",
                        "8 more rounds of these two alone");
        assertThat(next.lines())
                .extracting(l -> l.work().replace('\u202f', ' '))
                .containsExactly(
                        "about 2 h over 8 weeks",
                        "about 5 h over 12 weeks",
                        "about 35 min",
                        "about 1.5 h",
                        "about 1.5 h");
        assertThat(next.lines()).extracting(NextPage.Line::parts).containsExactly(true, true, false, false, false);
        NextPage.Line first = next.lines().get(0);
        assertThat(next.lead())
                .startsWith("4 more visits, one every 2 weeks: about")
                .endsWith("It would part Osier and Brock in %d of 100 rehearsals.".formatted(first.percent()));
        assertThat(first.share()).isEqualTo("parts them in %d of 100".formatted(first.percent()));
    }

    @Test
    void whatNothingPartsWhatIsSettledAndWhatIsNotRankedAreSaid() {
        NextPage nothing = NextPage.of(
                of(),
                weighed(99.9, 0.02),
                List.of(way(Onward.Kind.VISITS, 1, 30, 1, 0.9), way(Onward.Kind.ROUNDS, 8, 300, 0, 0.5)));
        assertThat(nothing.lead())
                .startsWith(
                        "Nothing that was rehearsed parts Osier and Brock in 80 of 100. What comes closest is 8 more rounds with sides exchanged: it parts them in ")
                .endsWith("move on, or ask what else parts them.");
        assertThat(nothing.lines()).extracting(NextPage.Line::what).first().isEqualTo("One more visit, one a week");
        NextPage settled = NextPage.of(of(), weighed(40, 0.02), List.of(way(Onward.Kind.VISITS, 1, 30, 1, 0.9)));
        assertThat(settled.lead()).isEqualTo("For this reader it is settled: Osier stands alone.");
        assertThat(settled.lines()).isEmpty();
        NextPage none = NextPage.of(of(), Weighed.of(LIFE, List.of(0, 1), List.of()), List.of());
        assertThat(none.lead()).isEmpty();
    }
}
