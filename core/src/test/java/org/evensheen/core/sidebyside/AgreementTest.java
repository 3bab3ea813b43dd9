package org.evensheen.core.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleBiFunction;
import org.evensheen.core.layout.Places;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;

/** Whether several people prefer the same, and when that can't be told. */
class AgreementTest extends AnAfternoon {

    @Test
    void twoWhoAnswerOnePairOnceCanNotBeToldApart() {
        say(pair(), "A");
        by = "Ben";
        say(pair(), "B");
        Agreement one = sheet().agreement().get(0);
        assertThat(one.people()).containsExactly("Ana", "Ben");
        assertThat(one.both()).isEqualTo(1);
        assertThat(one.alike()).isZero();
        assertThat(one.least()).as("two answers can be exchanged in two ways").isCloseTo(0.5, within(1e-12));
        assertThat(one.canTell()).isFalse();
        assertThat(one.chance()).as("either way they are as far apart").isEqualTo(1);
        assertThat(sheet().doubts()).doesNotContain(Doubt.TASTES_DIFFER);
    }

    @Test
    void onePersonAgreesWithNobody() {
        say(pair(), "A");
        assertThat(sheet().agreement()).isEmpty();
    }

    /** What one likes the other doesn't: told, and there is no one answer for both. */
    @Test
    void oppositeTastesAreTold() {
        Sheet sheet = mitts(new Random(2), 3, (who, mitt) -> who.equals("Ana") ? 4.0 * mitt : -4.0 * mitt);
        Agreement told = sheet.agreement().get(0);
        assertThat(told.differ()).isTrue();
        assertThat(told.alike()).isLessThan(told.both() / 4);
        assertThat(sheet.doubts()).contains(Doubt.TASTES_DIFFER);
    }

    /** Of people who prefer alike, however strongly, no more than one in twenty are said to differ. */
    @Test
    void likeTastesAreRarelyToldApart() {
        Random random = new Random(8);
        int differ = 0;
        int comparisons = 300;
        double[] worth = {-0.6, 0, 0.2, 0.4};
        for (int i = 0; i < comparisons; i++) {
            Agreement one = mitts(random, 2, (who, mitt) -> worth[mitt.intValue()])
                    .agreement()
                    .get(0);
            differ += one.differ() ? 1 : 0;
        }
        assertThat(differ).isBetween(3, (int) (0.07 * comparisons));
    }

    /** Every job of a kind names what is asked, once; all of a medium's questions belong to one. */
    @Test
    void everyQuestionAboutAMediumBelongsToOneJob() {
        for (Kind kind : Kind.values()) {
            List<String> asks =
                    kind.jobs().stream().flatMap(j -> j.asks().stream()).toList();
            assertThat(asks).doesNotHaveDuplicates();
            assertThat(asks).allMatch(a -> kind.question(a).isPresent());
        }
        assertThat(Kind.MEDIA.jobs()).hasSize(3);
        assertThat(Kind.MEDIA.questions().stream().map(Question::code))
                .containsExactlyInAnyOrderElementsOf(Kind.MEDIA.jobs().stream()
                        .flatMap(j -> j.asks().stream())
                        .toList());
    }

    private static Sheet mitts(Random random, int rounds, ToDoubleBiFunction<String, Integer> worth) {
        List<Section> places = new ArrayList<>(Places.ITEMS.deal(4, rounds, 3));
        Comparison blank = new Comparison(
                Kind.MEDIA, Places.ITEMS, 3, contenders(4), List.of(), places, Set.of("glide"), List.of(), TWO);
        List<Said> said = new ArrayList<>();
        for (Step step : blank.steps()) {
            if (step.type() == Step.Type.PAIR && !step.again()) {
                for (String who : new TreeSet<>(Set.of("Ana", "Ben"))) {
                    double a = Math.exp(worth.applyAsDouble(
                            who, blank.on(step.places().get(0)).number()));
                    double b = Math.exp(worth.applyAsDouble(
                            who, blank.on(step.places().get(1)).number()));
                    said.add(new Said(
                            step.key(), step.places().get(random.nextDouble() * (a + b) < a ? 0 : 1), who, false, TWO));
                }
            }
        }
        return Sheet.of(
                new Comparison(
                        Kind.MEDIA, Places.ITEMS, 3, contenders(4), List.of(), places, Set.of("glide"), said, TWO),
                TWO);
    }
}
