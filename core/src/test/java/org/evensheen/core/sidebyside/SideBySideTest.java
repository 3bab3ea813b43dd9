package org.evensheen.core.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.sidebyside.Sheet.Outcome;
import org.evensheen.core.sidebyside.Sheet.Remedy;
import org.evensheen.core.sidebyside.Sheet.Trust;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SideBySideTest extends AnAfternoon {

    @Test
    void theAfternoonGoesFromWhatIsThereBeforeToWhatIsLookedAtAfterEachMove() {
        assertThat(keys())
                .containsExactly(
                        "before/A",
                        "before/B",
                        "dose/1",
                        "foam/1",
                        "do/1/foam",
                        "do/1/wash",
                        pair(),
                        "do/1/off",
                        "gone/A",
                        "gone/B");
        assertThat(pair()).matches("glide/(A/B|B/A)");
        assertThat(soaps(Set.of("spots")).steps())
                .extracting(Step::key)
                .contains("do/1/foam", "do/1/wash", "do/1/dry", "spots/B");
    }

    @Test
    void aDozenAnswersMakeASheet() {
        say("before/A", "3");
        say("before/B", "3");
        say("dose/1", "as the labels say");
        for (String mark : List.of(
                "A/0 0:92", "B/0 0:90", "A/1 1:80", "B/1 1.1:60", "A/3 3:60", "B/3 3:30", "A/5 5:30", "B/5 5:10")) {
            say("foam/" + mark.split(" ")[0], mark.split(" ")[1]);
        }
        say(pair(), "A");
        say("gone/A", "4");
        say("gone/B", "4");
        assertThat(row("foam").outcome()).isEqualTo(Outcome.ONLY_SEEN);
        assertThat(row("foam").standings().get(0).contender())
                .isEqualTo(soaps().on("A").number());
        assertThat(row("foam").told().orElseThrow().code()).isEqualTo("foam");
        assertThat(row("gone").outcome()).isEqualTo(Outcome.EVEN);
        assertThat(row("glide").ballots()).isEqualTo(1);
        assertThat(row("glide").outcome()).as("one answer settles nothing").isIn(Outcome.EVEN, Outcome.AHEAD);
        Sheet sheet = sheet();
        assertThat(sheet.trust()).isEqualTo(Trust.HINT);
        assertThat(sheet.doubts()).containsExactly(Doubt.ONE_PLACE_EACH, Doubt.NAMES_KNOWN);
        assertThat(sheet.help().orElseThrow())
                .isEqualTo(new Sheet.Help(Remedy.EXCHANGE_SIDES, 13, Trust.HINT, Trust.FAIR, ""));
    }

    /** The widest gap on one place each is something that was seen once, not something that is probable. */
    @Test
    void onePlaceEachMakesNothingProbable() {
        say("gone/A", "5");
        say("gone/B", "0");
        assertThat(row("gone").standings().get(0).chance()).isEmpty();
        assertThat(row("gone").outcome()).isEqualTo(Outcome.ONLY_SEEN);
        assertThat(sheet().ledBy(soaps().on("A").number())).isEmpty();
    }

    /** Foam of which more than half still stands is set beside by what is left, not left out. */
    @Test
    void foamThatStandsToTheEndIsComparedByWhatIsLeft() {
        for (String mark : List.of("A/0 0:92", "B/0 0:90", "A/5 5:80", "B/5 5:60")) {
            say("foam/" + mark.split(" ")[0], mark.split(" ")[1]);
        }
        assertThat(row("foam").told().orElseThrow().code()).isEqualTo("foam-at-5");
        assertThat(row("foam").standings().get(0).contender())
                .isEqualTo(soaps().on("A").number());
    }

    @Test
    void aSideThatWasCleanerAlreadyMakesItAStoryUntilSidesAreExchanged() {
        say("before/A", "1");
        say("before/B", "3");
        say("dose/1", "done");
        say("gone/A", "5");
        say("gone/B", "3");
        assertThat(sheet().doubts()).contains(Doubt.UNLIKE_BEFORE);
        assertThat(sheet().trust()).isEqualTo(Trust.STORY);
        assertThat(sheet().help().orElseThrow().to()).isEqualTo(Trust.FAIR);
        places = new ArrayList<>(places);
        places.addAll(soaps().exchanged());
        assertThat(soaps().on("C"))
                .as("what stood on the right stands on the left")
                .isEqualTo(soaps().on("B"));
        assertThat(places.get(2).name()).isEqualTo("left half");
        assertThat(sheet().trust()).as("nothing was answered of it yet").isEqualTo(Trust.STORY);
        say("dose/2", "done");
        say("gone/C", "5");
        say("gone/D", "3");
        assertThat(sheet().doubts()).containsExactly(Doubt.NAMES_KNOWN);
        assertThat(sheet().trust()).isEqualTo(Trust.FAIR);
        assertThat(sheet().help().orElseThrow().remedy()).isEqualTo(Remedy.SOMEBODY_WHO_DOES_NOT_KNOW);
        assertThat(row("gone").standings().get(0).seen()).hasSize(2);
        assertThat(row("gone").outcome())
                .as("each won once, on the side that was cleaner")
                .isEqualTo(Outcome.EVEN);
    }

    @Test
    void whatWasSkippedOrOddOrUnknownIsNotForgotten() {
        say("dose/1", "skip");
        say("odd/B", "in the sun");
        say("gone/A", "skip");
        say("gone/B", "2");
        assertThat(sheet().rows()).as("one answer compares nothing").isEmpty();
        assertThat(sheet().doubts()).contains(Doubt.DOSE_UNKNOWN, Doubt.UNLIKE_BEFORE);
        knew = false;
        say("gone/A", "3");
        say("gone/B", "1");
        assertThat(sheet().doubts()).doesNotContain(Doubt.NAMES_KNOWN);
        assertThat(row("gone").standings().get(0).contender())
                .isEqualTo(soaps().on("A").number());
    }

    @ParameterizedTest
    @CsvSource({
        "gone/A, 6, from 0 to 5",
        "gone/A, lots, from 0 to 5",
        "gone/Z, 3, no such step",
        "glide/A/A, A, no such step",
        "foam/A/0, 0:9000, minute and a height",
        "foam/Z/0, 0:90, no such place",
        "foam/A/0, ninety, minute and a height",
        "odd/Q, hotter, no such place",
        "do/1/wash, 3, done or skipped",
        "spots/A, 2.5, whole number",
        "spots/A, -1, below zero",
        "nothing, x, no such step",
        "gone/A, '', Say something"
    })
    void anAnswerThatCanNotBeIsRefusedWithItsRemedy(String step, String value, String saying) {
        assertThat(soaps(Set.of("foam", "glide", "gone", "spots"))
                        .wrong(step, value)
                        .orElseThrow())
                .contains(saying);
    }

    /** What two people say of one pair stands beside each other; who says it again corrects only themselves. */
    @Test
    void nobodysAnswerCoversAnothers() {
        say(pair(), "A");
        by = "Ben";
        say(pair(), "B");
        say(pair(), "same");
        assertThat(row("glide").ballots()).isEqualTo(2);
        assertThat(row("glide").standings()).extracting(Sheet.Standing::wins).containsExactlyInAnyOrder(1, 0);
        say(pair(), Said.UNDO);
        assertThat(row("glide").ballots()).isEqualTo(1);
        say(pair(), Said.UNDO);
        assertThat(sheet().rows()).as("the second takes back what is left").isEmpty();
    }

    @Test
    void whatTwoSeeOnOnePlaceIsOnePlace() {
        say("gone/A", "5");
        say("gone/B", "2");
        by = "Ben";
        say("gone/A", "4");
        assertThat(row("gone").standings().get(0).seen()).hasSize(2);
        assertThat(row("gone").outcome()).isEqualTo(Outcome.ONLY_SEEN);
        assertThat(row("gone").standings().get(0).chance())
                .as("two looks are not two places")
                .isEmpty();
    }

    /** Whoever answers the same pair as if by chance is shown, and not used; a slip or two is no blindness. */
    @ParameterizedTest
    @CsvSource({"0, false, 0, 0.6024", "2, false, 0.0676, 0.9324", "3, true, 0.1941, 0.9937", "4, true, 0.3976, 1"})
    void whoDisagreesWithThemselvesAsByChanceIsNotCounted(int alike, boolean counts, double low, double high) {
        Set<String> asked = Set.of("slick", "gloss", "tone", "water");
        long seed = 0;
        while (of(Kind.SPRAY, Places.HALVES, 2, asked, seed).steps().stream()
                        .filter(Step::again)
                        .count()
                < 4) {
            seed++;
        }
        int same = 0;
        for (Step s : of(Kind.SPRAY, Places.HALVES, 2, asked, seed).steps()) {
            if (s.type() == Step.Type.PAIR) {
                said.add(new Said(s.key(), !s.again() || same++ < alike ? "A" : "B", "Ana", false, TWO));
            }
        }
        Sheet sheet = Sheet.of(of(Kind.SPRAY, Places.HALVES, 2, asked, seed), TWO);
        Steadiness ana = sheet.steadiness().get(0);
        assertThat(ana.twice()).isEqualTo(4);
        assertThat(ana.alike()).isEqualTo(alike);
        assertThat(ana.chance()).as("never a tie: a coin agrees half the time").isEqualTo(0.5);
        assertThat(ana.share().low()).as("Clopper and Pearson").isCloseTo(low, within(5e-5));
        assertThat(ana.share().high()).isCloseTo(high, within(5e-5));
        assertThat(ana.counts()).isEqualTo(counts);
        assertThat(sheet.doubts().contains(Doubt.UNSTEADY)).isEqualTo(!counts);
        assertThat(sheet.rows()).allMatch(r -> (r.outcome() == Outcome.UNUSED) != counts);
        assertThat(new Steadiness("Ana", 3, 0, ana.share(), 0.5).counts())
                .as("three pairs are too few to say")
                .isTrue();
    }

    @Test
    void theLeaderIsAskedAgainstTheNextOnRequest() {
        Comparison c = of(Kind.MEDIA, Places.ITEMS, 4, Set.of("glide"), 3);
        List<String> ring = c.steps().stream()
                .filter(s -> s.type() == Step.Type.PAIR && !s.again())
                .map(Step::key)
                .toList();
        ring.forEach(k -> said.add(new Said(k, k.contains("/A") ? "A" : "same", "Ana", false, TWO)));
        Comparison answered = of(Kind.MEDIA, Places.ITEMS, 4, Set.of("glide"), 3);
        Sheet.Help more = Sheet.of(answered, TWO).helps().stream()
                .filter(h -> h.remedy() == Remedy.ONE_MORE_PAIR)
                .findFirst()
                .orElseThrow();
        assertThat(more.step()).matches("glide/A/[BCD]/more");
        assertThat(answered.wrong(more.step(), "A")).isEmpty();
        assertThat(answered.wrong(more.step(), "Z").orElseThrow()).contains("no difference");
        assertThat(answered.wrong("glide/A/A/more", "A").orElseThrow()).contains("no such pair");
        assertThat(answered.wrong("gone/A/B/more", "A").orElseThrow()).contains("no such pair");
        said.add(new Said(more.step(), "A", "Ana", false, TWO));
        Sheet.Row row = Sheet.of(of(Kind.MEDIA, Places.ITEMS, 4, Set.of("glide"), 3), TWO)
                .rows()
                .get(0);
        assertThat(row.ballots()).isEqualTo(ring.size() + 1);
        assertThat(row.standings().stream().mapToInt(Sheet.Standing::asked).sum())
                .as("two stand in each")
                .isEqualTo(2 * row.ballots());
        Sheet.Standing always = row.standings().get(0);
        assertThat(always.contender()).isEqualTo(answered.on("A").number());
        assertThat(always.wins()).isEqualTo(always.asked()).isLessThan(row.ballots());
    }

    /** Ballots of known worths: chances of being first come true, and equals are rarely told apart. */
    @ParameterizedTest
    @CsvSource({"4, 3", "2, 6"})
    void whatIsPromisedOfPairsComesTrue(int n, int rounds) {
        Random random = new Random(5);
        double promised = 0;
        int right = 0;
        int apart = 0;
        int asked = 0;
        int studies = 600;
        for (int s = 0; s < studies; s++) {
            boolean equal = s % 2 == 0;
            double[] worth = random.doubles(n).map(u -> 0).toArray();
            for (int i = 0; i < n; i++) {
                worth[i] = equal ? 0 : random.nextGaussian();
            }
            Sheet.Row row = glides(n, rounds, worth, random);
            if (row.outcome() == Outcome.UNUSED) {
                continue;
            }
            if (equal) {
                apart += row.outcome() == Outcome.SETTLED ? 1 : 0;
                continue;
            }
            int best = IntStream.range(0, n)
                    .boxed()
                    .max((a, b) -> Double.compare(worth[a], worth[b]))
                    .orElseThrow();
            asked++;
            promised += row.standings().get(0).chance().orElseThrow();
            right += row.standings().get(0).contender() == best ? 1 : 0;
        }
        assertThat(asked).isGreaterThan(studies / 4);
        assertThat((double) right / asked).isCloseTo(promised / asked, within(0.05));
        assertThat(apart).isLessThanOrEqualTo((int) (0.05 * studies / 2));
    }

    private static Sheet.Row glides(int n, int rounds, double[] worth, Random random) {
        List<Section> places = new ArrayList<>(Places.ITEMS.deal(n, rounds, random.nextLong()));
        long seed = random.nextLong();
        Comparison blank = new Comparison(
                Kind.MEDIA, Places.ITEMS, seed, contenders(n), List.of(), places, Set.of("glide"), List.of(), TWO);
        List<Said> said = new ArrayList<>();
        for (Step step : blank.steps()) {
            if (step.type() != Step.Type.PAIR) {
                continue;
            }
            double a = Math.exp(worth[blank.on(step.places().get(0)).number()]);
            double b = Math.exp(worth[blank.on(step.places().get(1)).number()]);
            double tie = 0.5 * Math.sqrt(a * b);
            double u = random.nextDouble() * (a + b + tie);
            said.add(new Said(
                    step.key(),
                    u < a ? step.places().get(0) : u < a + b ? step.places().get(1) : Said.SAME,
                    "Ana",
                    false,
                    TWO));
        }
        Comparison c = new Comparison(
                Kind.MEDIA, Places.ITEMS, seed, contenders(n), List.of(), places, Set.of("glide"), said, TWO);
        return Sheet.of(c, TWO).rows().get(0);
    }
}
