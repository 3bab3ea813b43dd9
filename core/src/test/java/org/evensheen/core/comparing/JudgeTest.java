package org.evensheen.core.comparing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.study.Reading;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.Studies;
import org.evensheen.core.study.StudyRecord;
import org.junit.jupiter.api.Test;

class JudgeTest {
    private final List<Section> sections = Studies.grid(4, 2);
    private static final Map<String, Double> TODAY =
            Map.of("A1", 12.7, "B1", 9.0, "C1", 9.3, "D1", 18.0, "A2", 13.1, "B2", 9.4, "C2", 9.3, "D2", 18.4);

    private static final HouseScatter.Lender LENDER = new HouseScatter.Lender(5, 42, 0.04, 20);

    private StudyRecord study() {
        List<Reading> fresh =
                Studies.pulls(sections, Studies.FRESH, s -> s.contender() == 3 ? 18.2 : 8.6 + s.row() * 0.02);
        List<Reading> today = Studies.pulls(sections, Studies.LATER, s -> TODAY.get(s.code()));
        return Studies.study(
                3, sections, Stream.concat(fresh.stream(), today.stream()).toList());
    }

    private static Verdict judged(StudyRecord study, int day) {
        return Judge.verdict(study, Measures.PULL, day, Optional.empty()).orElseThrow();
    }

    @Test
    void productsThatCanNotBeToldApartShareAPlaceAndOthersDoNot() {
        Verdict verdict = judged(study(), 28);
        assertThat(verdict.results())
                .extracting(r -> r.contender().name() + " " + r.place())
                .containsExactly("Product 1 1", "Product 2 1", "Product 0 3");
        assertThat(verdict.rows()).isEqualTo(BlockModel.Rows.TAKEN_OUT);
        assertThat(verdict.scatter().orElseThrow().freedom()).isEqualTo(3);
        assertThat(verdict.leastToldApart().orElseThrow()).isBetween(0.3, 1.6);
    }

    @Test
    void benefitAndRetentionSetTodayAgainstBareOfToday() {
        Verdict.Result reference = judged(study(), 28).results().get(2);
        assertThat(reference.benefit().value().orElseThrow().value()).isCloseTo(1 - 12.9 / 18.2, within(1e-12));
        Kept kept = reference.retention().value().orElseThrow();
        assertThat(kept.control()).isEqualTo(Kept.Control.BARE);
        assertThat(kept.freshDay()).isEqualTo(1);
        assertThat(kept.used()).extracting(Kept.Used::section).containsExactlyInAnyOrder("A1", "A2", "D1", "D2");
        assertThat(kept.first().value()).isCloseTo(1 - 8.63 / 18.2, within(1e-12));
        Ratio retention = kept.share();
        assertThat(retention.value()).isCloseTo((18.2 - 12.9) / (18.2 - 8.63), within(1e-12));
        assertThat(retention.interval().orElseThrow().holds(retention.value())).isTrue();
        assertThat(judged(study(), 1).results().get(0).retention().absent())
                .as("nothing to retain on the first day")
                .contains(Absent.FIRST_READINGS);
    }

    @Test
    void chancesSumToOneByProductAndByPlaceAndFollowTheStoredSeed() {
        List<Verdict.Result> results = judged(study(), 28).results();
        for (int k = 0; k < 3; k++) {
            int place = k;
            assertThat(results.get(k).chances().stream().mapToDouble(c -> c).sum())
                    .isCloseTo(1, within(1e-9));
            assertThat(results.stream().mapToDouble(r -> r.chances().get(place)).sum())
                    .isCloseTo(1, within(1e-9));
        }
        assertThat(results.get(2).chances().get(2)).isGreaterThan(0.99);
        assertThat(judged(study(), 28)).isEqualTo(judged(study(), 28));
    }

    @Test
    void repeatsOnOneSectionNeverPassForSections() {
        StudyRecord once = study();
        StudyRecord thrice = once;
        for (Section section : sections) {
            for (int repeat = 2; repeat <= 3; repeat++) {
                thrice = thrice.with(new Reading(
                        section.code(),
                        28,
                        Studies.LATER.stage(),
                        repeat,
                        Measures.PULL.of(TODAY.get(section.code()))));
            }
        }
        Estimate ofThree = judged(thrice, 28).pairs().get(0).difference();
        Estimate ofOne = judged(once, 28).pairs().get(0).difference();
        assertThat(ofThree.freedom()).isEqualTo(ofOne.freedom());
        assertThat(ofThree.standardError()).isCloseTo(ofOne.standardError(), within(1e-12));
    }

    @Test
    void withoutScatterNothingIsToldApartUntilTheHouseLendsSome() {
        List<Section> single = Studies.grid(4, 1);
        StudyRecord study = Studies.study(3, single, Studies.pulls(single, Studies.LATER, s -> TODAY.get(s.code())));
        Verdict alone = judged(study, 28);
        assertThat(alone.scatter()).isEmpty();
        assertThat(alone.results()).extracting(Verdict.Result::place).containsOnly(1);
        assertThat(alone.results().get(0).benefit().value().orElseThrow().interval())
                .isEmpty();

        Verdict borrowed = Judge.verdict(
                        study, Measures.PULL, 28, Optional.of(new HouseScatter(0.04, 20, List.of(LENDER))))
                .orElseThrow();
        assertThat(borrowed.scatter().orElseThrow().lenders()).containsExactly(LENDER);
        assertThat(borrowed.results()).extracting(Verdict.Result::place).containsExactly(1, 1, 3);
    }

    @Test
    void aNewStudyHasNoVerdict() {
        assertThat(Judge.verdict(study(), Measures.PULL, 0, Optional.empty())).isEmpty();
    }

    @Test
    void anIntervalHoldsZeroJustWhereTwoProductsCanNotBeToldApart() {
        java.util.Random random = new java.util.Random(9);
        for (int i = 0; i < 200; i++) {
            Verdict verdict = judged(
                    Studies.study(
                            3,
                            sections,
                            Studies.pulls(
                                    sections,
                                    Studies.LATER,
                                    s -> 10 + 0.4 * s.contender() + random.nextGaussian() / 3)),
                    28);
            assertThat(verdict.pairs()).allSatisfy(p -> {
                assertThat(p.apart()).isEqualTo(p.adjusted() < 0.05);
                assertThat(p.interval().orElseThrow().holds(0)).isNotEqualTo(p.apart());
                assertThat(p.adjusted()).isGreaterThanOrEqualTo(p.p() - 1e-3);
            });
        }
    }

    /** MEASURES 13: 18.4 before, 8.0 fresh and 12.2 N are 0.596, without a bare section. */
    @Test
    void withoutABareSectionAPlaceIsItsOwnControl() {
        List<Section> three = Studies.grid(3, 2);
        StudyRecord study = own(three, s -> 18.4, s -> 8.0, s -> 12.2);
        Kept kept = judged(study, 28).results().get(0).retention().value().orElseThrow();
        assertThat(kept.share().value()).isCloseTo(0.596, within(5e-4));
        assertThat(kept.control()).isEqualTo(Kept.Control.OWN_BEFORE);
        assertThat(kept.used()).allSatisfy(u -> assertThat(u.before()).hasValue(18.4));
        assertThat(judged(study, 28).results().get(0).benefit().absent()).contains(Absent.NO_BARE_SECTION);
    }

    private static StudyRecord own(
            List<Section> sections,
            java.util.function.ToDoubleFunction<Section> before,
            java.util.function.ToDoubleFunction<Section> fresh,
            java.util.function.ToDoubleFunction<Section> today) {
        return Studies.study(
                3,
                sections,
                Stream.of(
                                Studies.pulls(sections, Studies.BARE, before),
                                Studies.pulls(sections, Studies.FRESH, fresh),
                                Studies.pulls(sections, Studies.LATER, today))
                        .flatMap(List::stream)
                        .toList());
    }

    @Test
    void bareOfAnotherDayNeverStandsInForBareOfTheFreshDay() {
        List<Section> products = Studies.grid(3, 2);
        List<Reading> readings = Stream.of(
                        Studies.pulls(sections, Studies.BARE, s -> 20),
                        Studies.pulls(products, Studies.FRESH, s -> 9),
                        Studies.pulls(sections, Studies.LATER, s -> TODAY.get(s.code())))
                .flatMap(List::stream)
                .toList();
        Kept kept = judged(Studies.study(3, sections, readings), 28)
                .results()
                .get(2)
                .retention()
                .value()
                .orElseThrow();
        assertThat(kept.control()).isEqualTo(Kept.Control.OWN_BEFORE);
        assertThat(kept.share().value()).isCloseTo((20 - 12.9) / (20 - 9.0), within(1e-12));

        List<Reading> onlyBareBefore = readings.stream()
                .filter(r -> r.stage() != Studies.BARE.stage() || r.section().startsWith("D"))
                .toList();
        assertThat(judged(Studies.study(3, sections, onlyBareBefore), 28)
                        .results()
                        .get(0)
                        .retention()
                        .absent())
                .contains(Absent.NO_CONTROL_WHEN_FRESH);

        List<Reading> sameDay = onlyBareBefore.stream()
                .map(r -> r.stage() == Studies.BARE.stage()
                        ? new Reading(r.section(), 1, r.stage(), r.repeat(), r.seen())
                        : r)
                .toList();
        assertThat(judged(Studies.study(3, sections, sameDay), 28)
                        .results()
                        .get(0)
                        .retention()
                        .value())
                .as("read before anything went on, on that very day")
                .isPresent();
    }

    @Test
    void aProductThatMadeThingsWorseHasNothingLeftOfAFirstEffect() {
        List<Reading> readings = Stream.of(
                        Studies.pulls(
                                sections,
                                Studies.FRESH,
                                s -> s.contender() == 0
                                        ? 22 + s.row() * 0.1
                                        : s.contender() == 3 ? 18 : s.contender() == 1 ? 18 + s.row() * 0.05 : 9),
                        Studies.pulls(
                                sections,
                                Studies.LATER,
                                s -> s.contender() == 0
                                        ? 21.5
                                        : s.contender() == 3 ? 18 + 0.1 * s.row() : 12 + s.contender()))
                .flatMap(List::stream)
                .toList();
        Verdict verdict = judged(Studies.study(3, sections, readings), 28);
        assertThat(retention(verdict, 0).absent()).contains(Absent.MADE_WORSE);
        assertThat(retention(verdict, 1).absent()).contains(Absent.NO_FIRST_EFFECT);
        assertThat(retention(verdict, 2).value()).isPresent();
    }

    private static Answer<Kept> retention(Verdict verdict, int product) {
        return verdict.results().stream()
                .filter(r -> r.contender().number() == product)
                .findFirst()
                .orElseThrow()
                .retention();
    }

    @Test
    void whereEveryProductHasARowOfItsOwnNothingIsComparedAndTheFootingIsAnecdote() {
        List<Section> rows = sections.stream()
                .map(s -> new Section(
                        s.code(), s.contender(), s.contender() + 1, s.xMm(), s.yMm(), s.widthMm(), s.heightMm(), false))
                .toList();
        StudyRecord study = Studies.study(3, rows, Studies.pulls(rows, Studies.LATER, s -> TODAY.get(s.code())));
        Verdict verdict = judged(study, 28);
        assertThat(verdict.groups()).hasSize(4);
        assertThat(verdict.pairs()).isEmpty();
        assertThat(verdict.results()).allSatisfy(r -> {
            assertThat(r.place()).isEqualTo(1);
            assertThat(r.chances()).isEmpty();
            assertThat(r.benefit().absent()).contains(Absent.BARE_NOT_COMPARABLE);
        });
        assertThat(org.evensheen.core.footing.FootingReview.of(study, Measures.PULL, 28))
                .anySatisfy(f -> {
                    assertThat(f.kind()).isEqualTo(org.evensheen.core.footing.Finding.Kind.NOT_COMPARABLE);
                    assertThat(f.kind().atMost()).isEqualTo(org.evensheen.core.footing.Footing.ANECDOTE);
                    assertThat(f.numbers()).contains("A1, A2 | B1, B2 | C1, C2 | D1, D2");
                });
    }

    /** Half-lives of 4, 4.4 min and of 8, 8.8 min: the second stands twice as long, whatever the minutes. */
    @Test
    void halfLivesAreComparedAsRatios() {
        List<Section> jars = Studies.grid(2, 2);
        java.util.function.ToDoubleFunction<Section> half = s -> (s.contender() == 0 ? 4 : 8)
                * (s.row() == 1 ? 1 : 1.1)
                * (s.code().equals("B2") ? 1.02 : 1);
        List<Reading> foam = jars.stream()
                .map(s -> new Reading(
                        s.code(),
                        1,
                        Studies.FRESH.stage(),
                        1,
                        org.evensheen.core.measure.Observation.read(
                                Measures.FOAM, "how=jar-mm;series=0:100," + 2 * half.applyAsDouble(s) + ":0")))
                .toList();
        StudyRecord study = Studies.study(2, jars, foam);
        Verdict verdict =
                Judge.verdict(study, Measures.FOAM, 1, Optional.empty()).orElseThrow();
        assertThat(verdict.results()).extracting(r -> r.contender().number()).containsExactly(1, 0);
        assertThat(verdict.mean(verdict.results().get(1))).isCloseTo(4 * Math.sqrt(1.1), within(1e-9));
        Verdict.Told told = verdict.told(verdict.pairs().get(0));
        assertThat(told.ratio()).isTrue();
        assertThat(told.value()).isCloseTo(2 * Math.sqrt(1.02), within(1e-9));
        assertThat(told.low()).isBetween(1.0, 2.0);
        assertThat(verdict.results().get(0).retention().absent()).contains(Absent.NOT_KEPT);
    }

    private static StudyRecord graded(int rows, java.util.function.ToIntFunction<Section> grade) {
        List<Section> places = Studies.grid(4, rows);
        List<Reading> grades = places.stream()
                .flatMap(s -> Stream.of("Ana", "Ben")
                        .map(who -> new Reading(
                                s.code(),
                                Studies.LATER,
                                1,
                                org.evensheen.core.measure.WaterGrade.seen(
                                        org.evensheen.core.water.WaterKind.REPELS, grade.applyAsInt(s)),
                                who)))
                .toList();
        return Studies.study(3, places, grades);
    }

    /** Grades are an order: three rows can't tell any two apart, seven can. */
    @Test
    void gradesAreComparedByTheirLots() {
        java.util.function.ToIntFunction<Section> clear = s -> new int[] {4, 2, 1, 0}[s.contender()];
        Verdict few = Judge.verdict(graded(3, clear), Measures.WATER_GRADE, 28, Optional.empty())
                .orElseThrow();
        assertThat(few.results()).extracting(r -> r.contender().number()).containsExactly(0, 1, 2);
        assertThat(few.results()).extracting(Verdict.Result::place).containsOnly(1);
        assertThat(few.pairs()).allSatisfy(p -> {
            assertThat(p.p()).isEqualTo(0.25);
            assertThat(p.interval()).isEmpty();
        });
        assertThat(few.results().get(0).benefit().absent()).contains(Absent.AN_ORDER);
        Verdict many = Judge.verdict(graded(7, clear), Measures.WATER_GRADE, 28, Optional.empty())
                .orElseThrow();
        assertThat(many.results()).extracting(Verdict.Result::place).containsExactly(1, 2, 3);
        assertThat(many.results().get(0).chances().get(0)).isGreaterThan(0.9);
        assertThat(many.mean(many.results().get(1))).isEqualTo(2);
        assertThat(Judge.verdict(graded(3, s -> 2), Measures.WATER_GRADE, 28, Optional.empty())
                        .orElseThrow()
                        .pairs())
                .allSatisfy(p -> assertThat(p.p()).isEqualTo(1));
    }

    /** What lies behind grades is a scale with bare on it, on which the draws lie round the fit; one place each tells nothing of it. */
    @Test
    void gradesLieOnTheScaleBehindThemWithBareOnIt() {
        java.util.function.ToIntFunction<Section> clear = s -> new int[] {4, 3, 2, 0}[s.contender()];
        StudyRecord study = graded(4, clear);
        Drawn drawn =
                Judge.drawn(study, Measures.WATER_GRADE, 28, Optional.empty()).orElseThrow();
        List<CumulativeLogit.Graded> all = study.sections().stream()
                .map(s -> new CumulativeLogit.Graded(s.contender(), s.row() - 1, clear.applyAsInt(s)))
                .toList();
        double[] effects = CumulativeLogit.fit(all).effects();
        assertThat(drawn.products()).containsExactly(0, 1, 2);
        for (int i = 0; i < 3; i++) {
            assertThat(drawn.means().get(i).value()).isCloseTo(effects[i], within(1e-6));
            assertThat(Arrays.stream(drawn.draws()[i]).average().orElseThrow()).isCloseTo(effects[i], within(0.05));
        }
        assertThat(drawn.bare().orElseThrow())
                .isCloseTo(effects[3], within(1e-6))
                .isLessThan(drawn.means().get(2).value());
        double share = Math.sqrt(Arrays.stream(drawn.draws()[0])
                .map(d -> (d - effects[0]) * (d - effects[0]))
                .average()
                .orElseThrow());
        assertThat(share).isCloseTo(drawn.means().get(0).standardError(), within(0.05));
        assertThat(Judge.drawn(graded(1, clear), Measures.WATER_GRADE, 28, Optional.empty()))
                .as("one place each")
                .isEmpty();
    }
}
