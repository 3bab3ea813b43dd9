package org.evensheen.core.sidebyside;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.evensheen.core.layout.Places;
import org.evensheen.core.measure.Quality;
import org.evensheen.core.measure.Scale;
import org.evensheen.core.sidebyside.Sheet.Doubt;
import org.evensheen.core.sidebyside.Sheet.Remedy;
import org.evensheen.core.sidebyside.Sheet.Trust;
import org.evensheen.core.study.Section;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What limits an afternoon, at the edge of each rule, and what would lift it. */
class TrustTest extends AnAfternoon {

    private void exchange() {
        places = new ArrayList<>(places);
        places.addAll(soaps().exchanged());
    }

    /** One level apart is as people see; two is a place that was cleaner. */
    @ParameterizedTest
    @CsvSource({"3, 3, false", "3, 2, false", "3, 1, true", "1, 3, true", "3, skip, false"})
    void placesAreUnlikeFromTwoLevelsOn(String a, String b, boolean unlike) {
        say("before/A", a);
        say("before/B", b);
        assertThat(sheet().doubts().contains(Doubt.UNLIKE_BEFORE)).isEqualTo(unlike);
    }

    /** A choice by hand stops to matter once sides were exchanged and something was answered there. */
    @Test
    void whatWasPlacedByHandIsSaidOfOneRound() {
        places = places.stream()
                .map(p -> new Section(
                        p.code(), p.contender(), p.row(), p.xMm(), p.yMm(), p.widthMm(), p.heightMm(), true, p.name()))
                .toList();
        assertThat(sheet().doubts()).contains(Doubt.PLACED_BY_HAND, Doubt.ONE_PLACE_EACH);
        exchange();
        assertThat(sheet().doubts()).contains(Doubt.ONE_PLACE_EACH).doesNotContain(Doubt.PLACED_BY_HAND);
        say("gone/C", "skip");
        assertThat(sheet().doubts()).as("passed by is no answer").contains(Doubt.ONE_PLACE_EACH);
        say("gone/C", "2");
        assertThat(sheet().doubts()).doesNotContain(Doubt.ONE_PLACE_EACH);
    }

    /** Whoever knew the names and only passed a question by swayed nothing. */
    @Test
    void namesSwayOnlyWhatWasAnswered() {
        say(pair(), "skip");
        say("dose/1", "as the labels say");
        assertThat(sheet().doubts()).containsExactly(Doubt.ONE_PLACE_EACH);
        say(pair(), "A");
        assertThat(sheet().doubts()).containsExactly(Doubt.ONE_PLACE_EACH, Doubt.NAMES_KNOWN);
        assertThat(sheet().helps())
                .extracting(Sheet.Help::remedy)
                .containsExactly(Remedy.EXCHANGE_SIDES, Remedy.SOMEBODY_WHO_DOES_NOT_KNOW);
    }

    @Test
    void oneStepOfALadderNamesWhatDidIt() {
        assertThat(Sheet.of(of(Kind.LADDER, Places.STRIPS, 2, Set.of("water"), 3), TWO)
                        .doubts())
                .doesNotContain(Doubt.STACKED);
        assertThat(Sheet.of(of(Kind.LADDER, Places.STRIPS, 2, Set.of("water", "soap"), 3), TWO)
                        .doubts())
                .contains(Doubt.STACKED);
    }

    /** What lifts it most comes first; where that is known, its step too. */
    @Test
    void whatWouldHelpMostComesFirst() {
        say("dose/1", "skip");
        say(pair(), "A");
        exchange();
        say("gone/C", "4");
        say("gone/D", "4");
        Sheet sheet = sheet();
        assertThat(sheet.doubts()).containsExactly(Doubt.NAMES_KNOWN, Doubt.DOSE_UNKNOWN);
        assertThat(sheet.trust()).isEqualTo(Trust.FAIR);
        assertThat(sheet.helps())
                .containsExactly(
                        new Sheet.Help(Remedy.SOMEBODY_WHO_DOES_NOT_KNOW, 3, Trust.FAIR, Trust.FAIR, pair()),
                        new Sheet.Help(Remedy.SAY_HOW_MUCH, 1, Trust.FAIR, Trust.FAIR, "dose/1"));
        say("slip/1/wash", "neighbour");
        assertThat(sheet().helps()).allMatch(h -> h.from() == Trust.HINT && h.to() == Trust.HINT);
    }

    /** A round that took no time takes a minute; looks that come later are no part of it. */
    @Test
    void aRoundMoreTakesWhatTheFirstTook() {
        assertThat(sheet().help().orElseThrow().minutes())
                .as("nothing said yet, asked an hour on")
                .isEqualTo(60);
        said.add(new Said("before/A", "3", by, knew, TWO));
        assertThat(sheet().help().orElseThrow().minutes()).isEqualTo(1);
        said.add(new Said("before/B", "3", by, knew, TWO.plusSeconds(900)));
        assertThat(sheet().help().orElseThrow().minutes()).isEqualTo(15);
    }

    /** Nothing of one round can be weighed but what was preferred; of two, levels on their order and counts in their unit. */
    @Test
    void whatCanBeWeighedIsWhatWasPreferredAndWhatSeveralRoundsSaw() {
        say(pair(), "A");
        say("gone/A", "5");
        say("gone/B", "1");
        assertThat(Found.all(soaps())).singleElement().satisfies(f -> {
            assertThat(f.quality()).isEqualTo(Quality.SLICKNESS);
            assertThat(f.scale()).isEqualTo(Scale.PAIR);
            assertThat(f.alike()).isEqualTo(", glide, side by side");
            assertThat(f.asTimes()).isFalse();
            assertThat(f.names()).containsExactlyInAnyOrder("way 0", "way 1");
        });
        assertThat(Found.of(soaps())).as("no unit that two afternoons share").isEmpty();
        exchange();
        say("gone/C", "1");
        say("gone/D", "5");
        assertThat(Found.all(soaps())).extracting(Found::quality).contains(Quality.SLICKNESS, Quality.CLEANING);
        for (String mark : List.of(
                "A/0 0:90", "B/0 0:90", "A/5 5:30", "B/5 5:20", "C/0 0:90", "D/0 0:90", "C/5 5:20", "D/5 5:28")) {
            say("foam/" + mark.split(" ")[0], mark.split(" ")[1]);
        }
        assertThat(Found.of(soaps())).singleElement().satisfies(f -> {
            assertThat(f.quality()).isEqualTo(Quality.FOAM);
            assertThat(f.asTimes()).as("half-lives are told as times as much").isTrue();
        });
    }
}
