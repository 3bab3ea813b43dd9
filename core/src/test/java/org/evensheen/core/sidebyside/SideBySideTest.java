package org.evensheen.core.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.layout.Places;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
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
    private String by = "Ana";
    private List<Bottle> bottles = List.of();

    private Comparison soaps() {
        return soaps(Set.of("foam", "glide", "gone"));
    }

    private Comparison soaps(Set<String> asked) {
        return new Comparison(Kind.SOAP, Places.HALVES, 7, contenders(2), bottles, places, asked, said, TWO);
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
        said.add(new Said(step, value, by, knew, TWO.plusSeconds(60L * said.size())));
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
        Comparison c =
                new Comparison(kind, shape, 3, contenders(2), List.of(), shape.deal(2, 1, 3), all, List.of(), TWO);
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

    @Test
    void manyAreAskedInARingThatJoinsThemAllAndFewEachWithEach() {
        Question glide = Kind.MEDIA.question("glide").orElseThrow();
        for (int n = 2; n <= 8; n++) {
            Comparison c = new Comparison(
                    Kind.MEDIA,
                    Places.ITEMS,
                    11,
                    contenders(n),
                    List.of(),
                    Places.ITEMS.deal(n, 1, 11),
                    Set.of("glide"),
                    said,
                    TWO);
            List<String> codes = c.round(1).stream().map(Section::code).toList();
            Steps steps = new Steps(c);
            List<String> pairs = steps.pairs(glide, 1, codes);
            List<String> once =
                    pairs.stream().filter(k -> !k.endsWith("/again")).toList();
            assertThat(once).hasSize(n < 4 ? n * (n - 1) / 2 : n).doesNotHaveDuplicates();
            assertThat(once.stream()
                            .flatMap(k -> List.of(k.split("/")).subList(1, 3).stream())
                            .distinct())
                    .hasSize(n);
            assertThat(steps.pairs(glide, 1, codes)).as("drawn once for good").isEqualTo(pairs);
        }
    }

    private Comparison of(Kind kind, Places shape, int n, Set<String> asked, long seed) {
        return new Comparison(kind, shape, seed, contenders(n), bottles, shape.deal(n, 1, seed), asked, said, TWO);
    }

    /** Now and then, by lot, a pair is asked again the other way round: a third of questions, with some play. */
    @Test
    void nowAndThenAPairIsAskedASecondTimeTheOtherWayRound() {
        int twice = 0;
        for (int seed = 0; seed < 300; seed++) {
            List<Step> pairs = of(Kind.MEDIA, Places.ITEMS, 3, Set.of("glide"), seed).steps().stream()
                    .filter(s -> s.type() == Step.Type.PAIR)
                    .toList();
            List<Step> again = pairs.stream().filter(Step::again).toList();
            assertThat(again.size()).isLessThan(2);
            twice += again.size();
            again.forEach(s -> assertThat(pairs)
                    .anyMatch(p -> p.places()
                            .equals(List.of(s.places().get(1), s.places().get(0)))));
        }
        assertThat(twice).isBetween(70, 130);
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
        assertThat(Sheet.of(of(Kind.MEDIA, Places.ITEMS, 4, Set.of("glide"), 3), TWO)
                        .rows()
                        .get(0)
                        .ballots())
                .isEqualTo(ring.size() + 1);
    }

    @ParameterizedTest
    @CsvSource({
        "10 min, 2026-06-06T21:30:00Z, 2026-06-06T21:40:00Z",
        "morning, 2026-06-06T21:30:00Z, 2026-06-07T06:00:00Z",
        "morning, 2026-06-07T01:30:00Z, 2026-06-07T06:00:00Z",
        "drive, 2026-06-06T14:00:00Z, 2026-06-07T06:00:00Z"
    })
    void aLookFallsDueAfterMinutesOrNextMorning(String when, Instant done, Instant due) {
        assertThat(Later.read(when).due(done, ZoneId.of("Europe/Paris"))).isEqualTo(due);
    }

    @Test
    void whatShowsLaterWaitsForItsMoveAndThenForItsTime() {
        Set<String> asked = Set.of("look", "bloom");
        ZoneId zone = ZoneId.of("Europe/Paris");
        Step open = step(of(Kind.WHEEL, Places.WHEELS, 2, asked, 3), "bloom/A");
        assertThat(open.base()).contains("do/1/brush");
        assertThat(open.due(zone)).isEmpty();
        assertThat(open.waits(TWO, zone)).isFalse();
        said.add(new Said("do/1/brush", "done", "Ana", true, TWO));
        Step waits = step(of(Kind.WHEEL, Places.WHEELS, 2, asked, 3), "bloom/A");
        assertThat(waits.due(zone)).contains(TWO.plusSeconds(600));
        assertThat(waits.waits(TWO.plusSeconds(599), zone)).isTrue();
        assertThat(waits.waits(TWO.plusSeconds(600), zone)).isFalse();
        assertThat(step(of(Kind.WHEEL, Places.WHEELS, 2, asked, 3), "look/").base())
                .isEmpty();
    }

    private static Step step(Comparison c, String beginning) {
        return c.steps().stream()
                .filter(s -> s.key().startsWith(beginning))
                .findFirst()
                .orElseThrow();
    }

    /** Gone ends a place; the step at which each gave way is an order, and stacked steps name no chemical. */
    @Test
    void aLadderIsClimbedUntilAPlaceIsGone() {
        Set<String> asked = Set.of("water", "soap", "alcohol");
        Comparison c = of(Kind.LADDER, Places.STRIPS, 2, asked, 3);
        assertThat(c.steps()).extracting(Step::key).startsWith("do/1/water", "water/A", "water/B", "do/1/soap");
        assertThat(c.steps()).extracting(Step::type).doesNotContain(Step.Type.DOSE);
        for (String answer : List.of("water/A stands", "water/B weaker", "soap/A stands", "soap/B gone")) {
            assertThat(of(Kind.LADDER, Places.STRIPS, 2, asked, 3).wrong(answer.split(" ")[0], answer.split(" ")[1]))
                    .isEmpty();
            said.add(new Said(answer.split(" ")[0], answer.split(" ")[1], "Ana", false, TWO));
        }
        c = of(Kind.LADDER, Places.STRIPS, 2, asked, 3);
        assertThat(c.steps()).extracting(Step::key).contains("alcohol/A").doesNotContain("alcohol/B");
        assertThat(c.wrong("alcohol/B", "stands").orElseThrow()).contains("B was gone after a mild soap already");
        assertThat(c.wrong("alcohol/A", "maybe").orElseThrow()).contains("weaker, or is gone");
        assertThat(c.stood("A")).as("still on the ladder").isEmpty();
        assertThat(c.stood("B")).hasValue(1);
        assertThat(Sheet.of(c, TWO).rows()).as("one of two is off").isEmpty();
        said.add(new Said("alcohol/A", "stands", "Ana", false, TWO));
        c = of(Kind.LADDER, Places.STRIPS, 2, asked, 3);
        assertThat(c.stood("A")).hasValue(3);
        Sheet sheet = Sheet.of(c, TWO);
        assertThat(sheet.rows().get(0).outcome()).isEqualTo(Outcome.ONLY_SEEN);
        assertThat(sheet.rows().get(0).standings().get(0).contender())
                .isEqualTo(c.on("A").number());
        assertThat(sheet.doubts()).contains(Doubt.STACKED, Doubt.ONE_PLACE_EACH);
        said.add(new Said("soap/A", "gone", "Ana", false, TWO));
        said.add(new Said("soap/B", "gone", "Ana", false, TWO));
        assertThat(of(Kind.LADDER, Places.STRIPS, 2, asked, 3).steps())
                .extracting(Step::key)
                .as("nothing is left to climb")
                .doesNotContain("do/1/alcohol");
    }

    private static Bottle bottle(String asked) {
        return new Bottle(
                LabelLine.readDose(asked).dose().stream().toList(),
                List.of(new Calibration(Counter.SPRAY, 1.2)),
                Optional.empty(),
                Money.currency("EUR").map(e -> Money.of("0.02", "EUR")),
                false);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "45 mL in 10 L|0.0045|45|",
                "12 sprays||14.4|12",
                "50 mL||50|",
                "3 caps|||3",
                "1:9|0.10555555||",
                "half a bottle|||",
                "1.5 L||1500|",
                "0 sprays|||"
            })
    void howMuchWentOnIsReadAsItStands(String typed, Double share, Double ml, Double count) {
        Optional<Dosed> dosed = Dosed.read(typed, List.of(new Calibration(Counter.SPRAY, 1.2)));
        assertThat(dosed.isPresent()).isEqualTo(share != null || ml != null || count != null);
        dosed.ifPresent(d -> {
            assertThat(d.share().map(s -> Math.round(s.middle() * 1e6)))
                    .isEqualTo(Optional.ofNullable(share).map(s -> Math.round(s * 1e6)));
            assertThat(d.ml().isPresent() ? Math.round(d.ml().getAsDouble() * 1e6) / 1e6 : null)
                    .isEqualTo(ml);
            assertThat(d.count().isPresent() ? d.count().getAsDouble() : null).isEqualTo(count);
        });
    }

    /** More on one than on the other is caught at a quarter more, unless each label asks for its own. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "50 mL|62 mL|||false",
                "50 mL|63 mL|||true",
                "12 sprays|16 sprays|||true",
                "1:100|1:100|||false",
                "45 mL in 10 L|20 mL in 10 L|||true",
                "45 mL in 10 L|90 mL in 10 L|40-50 mL in 10 L|80-100 mL in 10 L|false",
                "45 mL in 10 L|200 mL in 10 L|40-50 mL in 10 L|80-100 mL in 10 L|true",
                "20 mL in 10 L|90 mL in 10 L|40-50 mL in 10 L|80-100 mL in 10 L|true",
                "some|more|||false"
            })
    void anUnequalDoseIsCaught(String one, String other, String label, String otherLabel, boolean caught) {
        places = Places.HALVES.deal(2, 1, 7);
        String a = places.get(0).contender() == 0 ? "A" : "B";
        bottles = label == null ? List.of() : List.of(bottle(label), bottle(otherLabel));
        say("dose/" + a, one);
        say("dose/" + (a.equals("A") ? "B" : "A"), other);
        assertThat(sheet().doubts().contains(Doubt.UNEQUAL_DOSE)).isEqualTo(caught);
    }

    @Test
    void whatWentOnHasItsCostAndItsTime() {
        bottles = List.of(bottle("40-50 mL in 10 L"), Bottle.UNKNOWN);
        String mine = places.get(0).contender() == 0 ? "A" : "B";
        say("dose/" + mine, "45 mL in 10 L");
        say("stays/foam/" + mine, "240");
        Sheet.Spent spent = sheet().spent().get(0);
        assertThat(spent.contender()).isZero();
        assertThat(spent.ml()).hasValue(45);
        assertThat(spent.cost().orElseThrow().amount()).isEqualByComparingTo("0.90");
        assertThat(spent.staysSeconds()).hasValue(240);
        assertThat(spent.departure().orElseThrow().within()).isTrue();
        assertThat(sheet().spent()).hasSize(1);
        assertThat(soaps().wrong("stays/foam/A", "21600")).isEmpty();
        assertThat(soaps().wrong("stays/foam/A", "21601").orElseThrow()).contains("left running");
    }

    @Test
    void whatWentWrongAndWhatWasGivenLowersTheTrust() {
        say("gone/A", "5");
        say("gone/B", "2");
        say("slip/1/wash", "neighbour");
        assertThat(sheet().doubts()).contains(Doubt.MISHAP).doesNotContain(Doubt.SPOILT);
        say("slip/1/off", "residue cloth");
        assertThat(sheet().doubts()).contains(Doubt.SPOILT);
        assertThat(sheet().trust()).isEqualTo(Trust.STORY);
        assertThat(sheet().doubts()).doesNotContain(Doubt.GIFT_KNOWN);
        say("came/0", "bought");
        assertThat(sheet().doubts()).doesNotContain(Doubt.GIFT_KNOWN);
        say("came/1", "given");
        assertThat(sheet().doubts()).contains(Doubt.GIFT_KNOWN);
        assertThat(soaps().wrong("came/2", "given")).isPresent();
        assertThat(soaps().wrong("came/1", "stolen")).isPresent();
        assertThat(soaps().wrong("slip/1/wash", "earthquake")).isPresent();
    }

    /** What is not meant for paint is asked about on paint, and who goes on is told once more. */
    @Test
    void whatIsNotMeantForPaintIsAskedAboutTwice() {
        bottles = List.of(new Bottle(List.of(), List.of(), Optional.empty(), Optional.empty(), true), Bottle.UNKNOWN);
        assertThat(keys()).startsWith("paint/1", "before/A");
        say("paint/1", "spare");
        assertThat(keys()).doesNotContain("paint/2");
        say("paint/1", "paint");
        assertThat(keys()).startsWith("paint/1", "paint/2");
        assertThat(sheet().doubts()).contains(Doubt.NOT_FOR_PAINT);
        say("paint/2", "spare");
        assertThat(sheet().doubts()).doesNotContain(Doubt.NOT_FOR_PAINT);
        assertThat(of(Kind.WHEEL, Places.WHEELS, 2, Set.of("look"), 3).steps())
                .extracting(Step::key)
                .doesNotContain("paint/1");
    }

    /** What is only noted is shown and makes nobody better. */
    @Test
    void whatIsOnlyNotedRanksNobody() {
        said.add(new Said("panel-heat/A", "31", "Ana", true, TWO));
        Sheet.Row noted = Sheet.of(of(Kind.RINSELESS, Places.HALVES, 2, Set.of("panel-heat"), 3), TWO)
                .rows()
                .get(0);
        assertThat(noted.outcome()).isEqualTo(Outcome.NOTED);
        assertThat(noted.standings()).hasSize(1);
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
