package org.evensheen.app.plans;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.evensheen.app.beds.Bed;
import org.evensheen.core.footing.PlanReview;
import org.evensheen.core.footing.PlanReview.Remedy;
import org.evensheen.core.layout.Layout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Whatever a remedy is offered for, its button does away with it. */
class RemediesTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    private static final Bed BOARD = new Bed(
            7,
            "Board",
            "",
            Bed.Kind.BOARD,
            org.evensheen.core.layout.BedShape.rectangle(1800, 1100),
            Bed.Traits.UNKNOWN);

    private static Design design(Map<String, String> typed) {
        return PlanReader.read(
                typed,
                new PlanReader.Known(
                        List.of(BOARD),
                        List.of(),
                        List.of(),
                        Optional.empty(),
                        Optional.empty(),
                        TODAY,
                        Layout::draw,
                        (sections, products) -> OptionalDouble.empty()));
    }

    private static Map<String, String> typed(String... more) {
        Map<String, String> typed = new TreeMap<>(Fields.blank("Which?", "7", TODAY, 5));
        for (int i = 0; i < 4; i++) {
            typed.put("name" + i, "Product " + i);
        }
        typed.putAll(Map.of("reference", "2", "gauge", "on", "weather", "on", "blind", "on"));
        for (int i = 0; i < more.length; i += 2) {
            typed.put(more[i], more[i + 1]);
        }
        return typed;
    }

    private static Map<String, String> spoilt(Remedy remedy) {
        return switch (remedy) {
            case ADD_BARE -> typed("bare", "0");
            case SECOND_SECTION -> typed("each", "1");
            case LET_LOTS_DECIDE -> typed("moves", "A:B");
            case FIRST_IS_REFERENCE -> typed("reference", "");
            case PROVE_BARE -> typed("prep-strip", "", "prove", "");
            case CHECK_GAUGE -> typed("gauge", "");
            case NOTE_WEATHER -> typed("weather", "");
            case JUDGE_BLIND -> typed("blind", "");
            case NO_TOPPERS -> typed("toppers", "on");
            case LABEL_DATES -> typed("dates", "visit2=3");
            case ROTATE -> typed("wear", "chemicals", "chem0", "Degreaser", "chem1", "Acid", "aboutOne", "on");
            case MORE_VISITS -> typed("visits", "2");
            default -> typed();
        };
    }

    @ParameterizedTest
    @EnumSource(
            value = Remedy.class,
            names = {"LABEL_DOSES", "KEEP_THE_CURE", "KEEP_OFF", "DRAW_AGAIN"},
            mode = EnumSource.Mode.EXCLUDE)
    void aRemedyTakesItsLimitAway(Remedy remedy) {
        Map<String, String> before = spoilt(remedy);
        Design design = design(before);
        assertThat(offered(design)).as("offered").contains(remedy);
        Map<String, String> after = new TreeMap<>(before);
        after.putAll(Remedies.changes(remedy, before, design, 9));
        assertThat(offered(design(after))).as("after it").doesNotContain(remedy);
        assertThat(design(after).problems()).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(value = Remedy.class)
    void aRemedyChangesOnlyWhatItIsFor(Remedy remedy) {
        Map<String, String> before = spoilt(remedy);
        Map<String, String> changes = Remedies.changes(remedy, before, design(before), 9);
        assertThat(changes).isNotEmpty();
        assertThat(changes.keySet()).noneMatch(f -> f.startsWith("name") || f.equals("question") || f.equals("bed"));
        assertThat(remedy.label()).isNotBlank();
    }

    private static List<Remedy> offered(Design design) {
        return design.limits().stream()
                .flatMap((PlanReview.Limit l) -> l.remedy().stream())
                .toList();
    }
}
