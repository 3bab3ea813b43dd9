package org.evensheen.core.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.sidebyside.Sheet.Outcome;
import org.evensheen.core.sidebyside.Sheet.Remedy;
import org.evensheen.core.sidebyside.Sheet.Trust;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Contender.Source;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class SideBySideTest {
    private static final Instant TWO = Instant.parse("2026-06-06T14:00:00Z");

    private final List<Said> said = new ArrayList<>();
    private List<Section> places = Places.HALVES.deal(2, 1, 7);
    private boolean knew = true;

    private Comparison soaps() {
        return soaps(Set.of("foam", "glide", "gone"));
    }

    private Comparison soaps(Set<String> asked) {
        return new Comparison(Kind.SOAP, Places.HALVES, 7, contenders(2), places, asked, said, TWO);
    }

    private static List<Contender> contenders(int n) {
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

    private void say(String step, String value) {
        assertThat(soaps(Set.of("foam", "glide", "gone", "spots")).wrong(step, value))
                .as(step)
                .isEmpty();
        said.add(new Said(step, value, "Ana", knew, TWO.plusSeconds(60L * said.size())));
    }

    private List<String> keys() {
        return soaps().steps().stream().map(Step::key).toList();
    }

    private Sheet sheet() {
        return Sheet.of(soaps(), TWO.plusSeconds(3600));
    }

    private Sheet.Row row(String code) {
        return sheet().rows().stream()
                .filter(r -> r.question().code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private String pair() {
        return keys().stream().filter(k -> k.startsWith("glide/")).findFirst().orElseThrow();
    }

    @Test
    void theAfternoonGoesFromWhatIsThereBeforeToWhatIsLookedAtAfterEachMove() {
        assertThat(keys())
                .containsExactly(
                        "before/A",
                        "before/B",
                        "dose/1",
                        "foam/1",
                        "do/1/wash",
                        pair(),
                        "do/1/off",
                        "gone/A",
                        "gone/B");
        assertThat(pair()).matches("glide/(A/B|B/A)");
        assertThat(soaps(Set.of("spots")).steps()).extracting(Step::key).contains("do/1/wash", "do/1/dry", "spots/B");
    }

    /** Every kind can be done and asked as it stands, and every question of it follows one of its moves. */
    @ParameterizedTest
    @EnumSource(Kind.class)
    void aKindIsWhole(Kind kind) {
        Set<String> moves = kind.moves().stream().map(Move::code).collect(Collectors.toCollection(HashSet::new));
        moves.add(Question.FIRST);
        assertThat(kind.questions()).extracting(Question::after).isSubsetOf(moves);
        assertThat(kind.questions()).extracting(Question::code).doesNotHaveDuplicates();
        assertThat(kind.questions().stream().filter(Question::usual)).hasSizeBetween(3, 4);
        assertThat(kind.shapes()).isNotEmpty();
        Set<String> all = kind.questions().stream().map(Question::code).collect(Collectors.toSet());
        Places shape = kind.shapes().get(0);
        Comparison c = new Comparison(kind, shape, 3, contenders(2), shape.deal(2, 1, 3), all, List.of(), TWO);
        assertThat(c.steps().stream()
                        .flatMap(s -> s.question().stream())
                        .map(Question::code)
                        .distinct())
                .containsExactlyInAnyOrderElementsOf(all);
        assertThat(c.steps()).extracting(Step::key).doesNotHaveDuplicates();
        assertThat(Sheet.of(c, TWO).rows()).isEmpty();
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
                .isEqualTo(new Sheet.Help(Remedy.EXCHANGE_SIDES, 13, Trust.HINT, Trust.FAIR));
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
        "foam/Z/0, 0:90, minute and a height",
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

    @Test
    void manyAreAskedInARingThatJoinsThemAllAndFewEachWithEach() {
        Question glide = Kind.MEDIA.question("glide").orElseThrow();
        for (int n = 2; n <= 8; n++) {
            Comparison c = new Comparison(
                    Kind.MEDIA,
                    Places.ITEMS,
                    11,
                    contenders(n),
                    Places.ITEMS.deal(n, 1, 11),
                    Set.of("glide"),
                    said,
                    TWO);
            List<String> codes = c.round(1).stream().map(Section::code).toList();
            List<List<String>> pairs = c.pairs(glide, 1, codes);
            assertThat(pairs).hasSize(n < 4 ? n * (n - 1) / 2 : n).doesNotHaveDuplicates();
            assertThat(pairs.stream().flatMap(List::stream).distinct()).hasSize(n);
            assertThat(c.pairs(glide, 1, codes)).as("drawn once for good").isEqualTo(pairs);
        }
    }

    /** Ballots of known worths: chances of being first come true, and equals are rarely told apart. */
    @ParameterizedTest
    @CsvSource({"4, 3", "2, 6"})
    void whatIsPromisedOfPairsComesTrue(int n, int rounds) {
        Random random = new Random(5);
        double promised = 0;
        int right = 0;
        int apart = 0;
        int studies = 600;
        for (int s = 0; s < studies; s++) {
            boolean equal = s % 2 == 0;
            double[] worth = random.doubles(n).map(u -> 0).toArray();
            for (int i = 0; i < n; i++) {
                worth[i] = equal ? 0 : random.nextGaussian();
            }
            Sheet.Row row = glides(n, rounds, worth, random);
            if (equal) {
                apart += row.outcome() == Outcome.SETTLED ? 1 : 0;
                continue;
            }
            int best = IntStream.range(0, n)
                    .boxed()
                    .max((a, b) -> Double.compare(worth[a], worth[b]))
                    .orElseThrow();
            promised += row.standings().get(0).chance().orElseThrow();
            right += row.standings().get(0).contender() == best ? 1 : 0;
        }
        assertThat(right / (studies / 2.0)).isCloseTo(promised / (studies / 2.0), within(0.05));
        assertThat(apart).isLessThanOrEqualTo((int) (0.05 * studies / 2));
    }

    private static Sheet.Row glides(int n, int rounds, double[] worth, Random random) {
        List<Section> places = new ArrayList<>(Places.ITEMS.deal(n, rounds, random.nextLong()));
        long seed = random.nextLong();
        Comparison blank =
                new Comparison(Kind.MEDIA, Places.ITEMS, seed, contenders(n), places, Set.of("glide"), List.of(), TWO);
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
        Comparison c =
                new Comparison(Kind.MEDIA, Places.ITEMS, seed, contenders(n), places, Set.of("glide"), said, TWO);
        return Sheet.of(c, TWO).rows().get(0);
    }
}
