package org.evensheen.core.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.evensheen.core.label.Label;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.layout.Places;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.sidebyside.Sheet.Outcome;
import org.evensheen.core.sidebyside.Sheet.Trust;
import org.evensheen.core.study.Section;
import org.evensheen.core.water.Wetting;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Which steps there are and when, what went on, and what went wrong. */
class StepsAndDosesTest extends AnAfternoon {

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
        assertThat(spent.each().orElseThrow().ml()).isEqualTo(45);
        assertThat(spent.each().orElseThrow().uses()).isEqualTo(500 / 45.0);
        assertThat(spent.each().orElseThrow().cost(4).orElseThrow().amount()).isEqualByComparingTo("3.60");
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
        bottles = List.of(
                new Bottle(
                        List.of(),
                        List.of(),
                        Optional.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        java.util.Map.of(),
                        true),
                Bottle.UNKNOWN);
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

    /** A study of weeks takes what was counted, timed or graded on a place, by everybody, and nothing that is of two places or was only noted. */
    @Test
    void whatIsCarriedOverIsOfPlaces() {
        Set<String> asked = Set.of("foam", "glide", "gone", "suds-1", "suds", "water-heat");
        said.add(new Said("foam/A/0", "0:100", "Ana", true, TWO));
        said.add(new Said("foam/A/3", "3:40", "Bo", true, TWO.plusSeconds(180)));
        said.add(new Said("gone/A", "4", "Ana", true, TWO));
        said.add(new Said("gone/A", "3", "Bo", true, TWO));
        said.add(new Said("gone/B", "skip", "Ana", true, TWO));
        said.add(new Said("suds-1/A", "5", "Ana", true, TWO));
        said.add(new Said("suds/A", "2", "Ana", true, TWO));
        said.add(new Said("water-heat/A", "14", "Ana", true, TWO));
        said.add(new Said(pair(), "A", "Ana", true, TWO));
        assertThat(First.of(soaps(asked)))
                .extracting(f -> "%s %s %s by %s"
                        .formatted(f.place(), f.seen().measure(), f.seen().line(), f.by()))
                .containsExactlyInAnyOrder(
                        "A foam how=jar-mm;series=0:100,3:40 by Bo",
                        "A gone amount=4 by Ana",
                        "A gone amount=3 by Bo",
                        "A suds amount=2 by Ana");
        Comparison once = soaps(asked);
        places = new ArrayList<>(places);
        places.addAll(once.exchanged());
        said.add(new Said("gone/C", "1", "Ana", true, TWO));
        assertThat(First.of(soaps(asked)))
                .as("of the places as they lie after the sides were exchanged")
                .extracting(f -> f.place() + " " + f.seen().line())
                .containsExactly("C amount=1");
    }

    @ParameterizedTest
    @CsvSource({
        "45 mL in 10 L, bucket wash",
        "1:9, foam",
        "100 mL in 1 L, foam",
        "1:400, bucket wash",
        "a splash, ''",
    })
    void whatWentOnTellsWhatItWasFor(String typed, String use) {
        Label label = LabelLine.read("foam 1:9; bucket wash 1:250; rinse off").label();
        assertThat(Dosed.read(typed, List.of())
                        .flatMap(d -> d.use(label, List.of()))
                        .orElse(""))
                .isEqualTo(use);
    }

    /** How it was wetted is one tap; what was found of water carries it, and rounds that differ in it are not put together. */
    @Test
    void theWayOfWettingGoesWithWhatWaterDid() {
        Comparison once = of(Kind.ofCode("spray").orElseThrow(), Places.HALVES, 2, Set.of("clears"), 7);
        assertThat(once.wrong("do/1/wet", "mist")).isEmpty();
        assertThat(once.wrong("do/1/wet", "done")).isEmpty();
        assertThat(once.wrong("do/1/wet", "a hose").orElseThrow()).contains("done or skipped");
        assertThat(once.wrong("do/1/apply", "mist"))
                .as("only where it is wetted")
                .isPresent();
        said.add(new Said("do/1/wet", "open-stream", by, knew, TWO));
        Comparison wetted = of(Kind.ofCode("spray").orElseThrow(), Places.HALVES, 2, Set.of("clears"), 7);
        assertThat(wetted.wetted("wet")).containsExactly(Wetting.OPEN_STREAM);
        assertThat(wetted.slips()).isEmpty();
        Comparison again = rounds("open-stream");
        assertThat(Found.of(again))
                .extracting(Found::alike)
                .containsExactly("clearing water, clears after, side by side, wetted by an open stream");
        assertThat(again.slips()).isEmpty();
        Comparison unlike = rounds("mist");
        assertThat(Found.of(unlike)).isEmpty();
        assertThat(unlike.slips()).containsExactly(Slip.WETTING);
    }

    private Comparison rounds(String later) {
        List<Said> all = new ArrayList<>(List.of(new Said("do/1/wet", "open-stream", by, knew, TWO)));
        for (int round = 2; round <= 4; round++) {
            all.add(new Said("do/%d/wet".formatted(round), later, by, knew, TWO));
        }
        List<Section> dealt = Places.HALVES.deal(2, 4, 7);
        dealt.forEach(p ->
                all.add(new Said("clears/" + p.code(), (p.contender() == 0 ? "1" : "3") + p.row(), by, knew, TWO)));
        return new Comparison(
                Kind.ofCode("spray").orElseThrow(),
                Places.HALVES,
                7,
                contenders(2),
                bottles,
                dealt,
                Set.of("clears"),
                all,
                TWO);
    }
}
