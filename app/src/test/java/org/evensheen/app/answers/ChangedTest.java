package org.evensheen.app.answers;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What a new edition says has changed. */
class ChangedTest {
    private static Report.Place place(int place, String product) {
        return new Report.Place(place, product, 90, 80, 100, 0.5, Map.of());
    }

    /** A report that differs from others by what is given. */
    private static Report report(
            String method,
            String reader,
            String footing,
            String answer,
            List<Report.Place> places,
            List<String> lines,
            String readings) {
        return new Report(
                Report.FORMAT,
                "Which lasts?",
                "Heron",
                "2026-05-01",
                84,
                reader,
                answer,
                "",
                new Report.Trust(footing, "", List.of()),
                places,
                List.of(),
                lines,
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                new TreeMap<>(Map.of(method.split(" ")[0], Integer.parseInt(method.split(" ")[1]))),
                readings,
                method + reader + footing + answer + places + lines + readings);
    }

    /** A report of a study, by what is otherwise in it. */
    static Report study(String footing, String reader, String readings, Report.Place... places) {
        return report("verdict 5", reader, footing, "", List.of(places), List.of(), readings);
    }

    @Test
    void aStudySaysWhoMovedCameAndWentAndWhatElseIsOtherwise() {
        Report before = study("fair", "Show car", "r1", place(1, "Osier"), place(2, "Brock"), place(3, "Kelter"));
        assertThat(Changed.since(before, before)).isEqualTo("Nothing: the same data by the same method.");
        assertThat(Changed.since(
                        before,
                        study("fair", "Show car", "r2", place(1, "Osier"), place(2, "Brock"), place(3, "Kelter"))))
                .isEqualTo("Day 84: new readings, the same places.");
        assertThat(Changed.since(
                        before,
                        study("thin", "Commuter", "r2", place(1, "Brock"), place(2, "Osier"), place(2, "Lowlight"))))
                .isEqualTo("Day 84: Weighed for “Commuter” instead of “Show car”; Footing thin instead of fair; "
                        + "Brock went from place 2 to 1; Lowlight is new, at place 2; Osier went from place 1 to 2; "
                        + "Kelter is no longer ranked.");
        assertThat(Changed.since(
                        before,
                        report("verdict 5", "Show car", "fair", "", before.places(), List.of("told otherwise"), "r1")))
                .isEqualTo("Day 84: the same places.");
        Report other = report("verdict 6", "Show car", "fair", "", before.places(), List.of(), "r1");
        assertThat(Changed.since(before, other)).isEqualTo("Day 84: The method has changed.");
    }

    @Test
    void anAfternoonATableAndAProductSayItInTheirOwnWay() {
        Report once = report(
                "side-by-side 1", "", "a hint", "Curlew foams longer.", List.of(), List.of("foam: Curlew."), "r1");
        Report twice =
                report("side-by-side 1", "", "fair", "Curlew foams longest.", List.of(), List.of("foam: both."), "r2");
        assertThat(Changed.since(once, twice))
                .isEqualTo("More was said: Footing fair instead of a hint; It said before: “Curlew foams longer.”.");
        Report table = report(
                "league 2", "", "", "", List.of(place(1, "Osier"), place(2, "Brock")), List.of("1. Osier"), "r1");
        assertThat(Changed.since(
                        table,
                        report(
                                "league 2",
                                "",
                                "",
                                "",
                                List.of(place(1, "Brock"), place(1, "Osier")),
                                List.of("1. Brock"),
                                "r2")))
                .isEqualTo("As of 2026-05-01: Brock went from place 2 to 1.");
        Report product =
                report("league 2", "", "", "", List.of(), List.of("Life (weeks): place 2 of 5, 1 study."), "r1");
        assertThat(Changed.since(
                        product,
                        report(
                                "league 2",
                                "",
                                "",
                                "",
                                List.of(),
                                List.of(
                                        "Life (weeks): place 1 of 5, 2 studies.",
                                        "Gloss (first): place 1 of 2, 1 study."),
                                "r2")))
                .isEqualTo("As of 2026-05-01: Gloss (first): place 1 of 2, 1 study, which is new; "
                        + "Life (weeks): place 1 of 5, 2 studies, before place 2 of 5, 1 study.");
    }
}
