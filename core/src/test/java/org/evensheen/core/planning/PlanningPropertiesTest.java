package org.evensheen.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.evensheen.core.planning.Calendar.Kind;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Protocol.Scheme;
import org.evensheen.core.planning.Protocol.Washes;
import org.evensheen.core.planning.Protocol.Weeks;
import org.evensheen.core.study.Stage;

/** What holds of every calendar and every scheme of doses, whatever is planned. */
class PlanningPropertiesTest {
    private static final List<Entrant> ENTRANTS = List.of(
            CalendarTest.entrant(0, "Osier Spray Seal", "4 sprays per section; 2 coats; next layer 1 h; dry 12 h"),
            CalendarTest.entrant(1, "Brock Paste", "3–5 mL per panel; 1–3 coats; next layer 30 h; dry 2 h"));

    @Property(tries = 200)
    void anUnmovedCalendarBreaksNothingAndKeepsTheOrderOfTheWork(
            @ForAll @IntRange(min = 1, max = 60) int every,
            @ForAll @IntRange(min = 1, max = 30) int visits,
            @ForAll @IntRange(min = 0, max = 20) int washEvery,
            @ForAll @DoubleRange(min = 0, max = 200) double cure) {
        Protocol protocol = CalendarTest.protocol(new Weeks(every, visits, washEvery), cure);
        Calendar calendar = Calendar.of(protocol, ENTRANTS, 2, Map.of());
        assertThat(calendar.breaks()).isEmpty();
        assertThat(calendar.works().stream().map(Work::day)).isSorted();
        int fresh = day(calendar, Kind.FRESH);
        int coated = calendar.works().stream()
                .filter(w -> w.kind() == Kind.COAT)
                .mapToInt(Work::day)
                .max()
                .orElseThrow();
        assertThat((fresh - coated) * 24.0).as("the cure is kept").isGreaterThanOrEqualTo(cure);
        assertThat(calendar.works().stream().filter(w -> w.kind() == Kind.VISIT))
                .hasSize(visits);
        assertThat(calendar.works().stream().map(Work::key)).doesNotHaveDuplicates();
        assertThat(calendar.plan(protocol).visits().stream()
                        .filter(v -> v.stage() == Stage.REWETTED)
                        .map(v -> v.day()))
                .allMatch(d -> d > fresh);
    }

    @Property(tries = 200)
    void aGaugeCheckHoldsOnEveryDayThatIsRead(
            @ForAll @IntRange(min = 1, max = 56) int every, @ForAll @IntRange(min = 1, max = 40) int visits) {
        Calendar calendar = Calendar.of(CalendarTest.protocol(new Weeks(every, visits, 0), 12), ENTRANTS, 2, Map.of());
        List<Integer> checks = calendar.works().stream()
                .filter(w -> w.kind() == Kind.CHECK)
                .map(Work::day)
                .toList();
        calendar.works().stream()
                .filter(w -> w.kind() == Kind.VISIT || w.kind() == Kind.FRESH || w.kind() == Kind.BARE)
                .forEach(w ->
                        assertThat(checks).as("day %s", w.day()).anyMatch(c -> c <= w.day() && w.day() - c <= 56));
    }

    @Property(tries = 100)
    void washesAreCountedBeforeEachVisit(
            @ForAll @IntRange(min = 1, max = 6) int perVisit,
            @ForAll @IntRange(min = 1, max = 9) int days,
            @ForAll @IntRange(min = 1, max = 12) int visits) {
        Calendar calendar =
                Calendar.of(CalendarTest.protocol(new Washes(perVisit, days, visits), 0), ENTRANTS, 2, Map.of());
        int washes = 0;
        int met = 0;
        for (Work work : calendar.works()) {
            if (work.kind() == Kind.WASH) {
                washes++;
            } else if (work.kind() == Kind.VISIT) {
                met++;
                assertThat(washes).as("before visit %s", met).isEqualTo(met * perVisit);
            }
        }
        assertThat(met).isEqualTo(visits);
    }

    @Property(tries = 200)
    void everyMoveStandsAndIsMarked(
            @ForAll @IntRange(min = 1, max = 8) int visit, @ForAll @IntRange(min = -5, max = 400) int to) {
        String key = "visit" + visit;
        Calendar calendar = Calendar.of(CalendarTest.protocol(new Weeks(7, 8, 0), 12), ENTRANTS, 2, Map.of(key, to));
        Work moved = calendar.work(key).orElseThrow();
        assertThat(moved.day()).isEqualTo(to);
        assertThat(moved.moved()).isTrue();
        assertThat(calendar.works().stream().filter(Work::moved)).hasSize(1);
        boolean inOrder = to > day(calendar, Kind.FRESH)
                && calendar.works().stream()
                        .filter(w -> w.kind() == Kind.VISIT && !w.key().equals(key))
                        .noneMatch(w -> number(w) < visit ? w.day() >= to : w.day() <= to);
        assertThat(calendar.breaks().isEmpty()).as("%s on day %s", key, to).isEqualTo(inOrder);
    }

    private static int number(Work visit) {
        return Integer.parseInt(visit.key().substring("visit".length()));
    }

    /** Rotated doses are a Latin square: every section gets every chemical once, and in every round all are given alike. */
    @Property(tries = 60)
    void rotatedDosesGiveEverySectionEveryChemicalOnce(
            @ForAll @IntRange(min = 1, max = 6) int chemicals, @ForAll @IntRange(min = 1, max = 4) int turns) {
        for (int nth = 0; nth < chemicals * turns; nth++) {
            Set<Integer> given = new HashSet<>();
            for (int round = 0; round < chemicals; round++) {
                given.add(ChemicalProof.given(Scheme.ROTATED, chemicals, nth, round));
            }
            assertThat(given).hasSize(chemicals);
        }
        for (int round = 0; round < chemicals; round++) {
            int r = round;
            for (int chemical = 0; chemical < chemicals; chemical++) {
                int c = chemical;
                assertThat(IntStream.range(0, chemicals * turns)
                                .filter(nth -> ChemicalProof.given(Scheme.ROTATED, chemicals, nth, r) == c)
                                .count())
                        .isEqualTo(turns);
            }
        }
        assertThat(ChemicalProof.given(Scheme.SPLIT, chemicals, 1, 1))
                .as("split sections get one only")
                .isEqualTo(-1);
        assertThat(ChemicalProof.given(Scheme.STACKED, chemicals, 3, 0)).isZero();
    }

    private static int day(Calendar calendar, Kind kind) {
        return calendar.works().stream()
                .filter(w -> w.kind() == kind)
                .mapToInt(Work::day)
                .findFirst()
                .orElseThrow();
    }
}
