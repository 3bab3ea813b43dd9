package org.evensheen.app.mixer;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evensheen.app.labels.Product;
import org.evensheen.app.mixer.CostRows.Row;
import org.evensheen.app.mixer.CostStore.Bundled;
import org.evensheen.core.cost.Costs;
import org.evensheen.core.cost.Money;
import org.evensheen.core.cost.Rate;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.stock.Remaining;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CostRowsTest {
    private static final Currency EURO = Currency.getInstance("EUR");
    private static final CostRows.Common COMMON =
            new CostRows.Common(OptionalDouble.empty(), OptionalDouble.empty(), 12, EURO);

    private static Product product(long id, String line) {
        return product(id, ProductKind.WATERLESS, line);
    }

    private static Product product(long id, ProductKind kind, String line) {
        return new Product(
                id,
                "Sedge " + id,
                kind,
                Optional.of(id),
                1,
                line,
                LabelLine.read(line).label(),
                List.of(new Calibration(Counter.SPRAY, 1.5)),
                Optional.empty(),
                Remaining.of(List.of(), 0));
    }

    private static List<Row> rows(List<Rate> rates, List<Bundled> bundles, Product... products) {
        return new CostRows(COMMON, rates, Map.of()).of(List.of(products), "waterless", bundles, Costs::perCar);
    }

    private static double perCar(Row row) {
        return row.costs().orElseThrow().perCar().amount().doubleValue();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "waterless 1:15; 500 mL 16 EUR|240|0.48",
                "waterless 20 mL per panel; 500 mL 10 EUR|240|4.80",
                "waterless 4 sprays per panel; 500 mL 10 EUR|72|1.44",
                "waterless 60 mL per car; 500 mL 10 EUR|60|1.20",
                "waterless 5 mL per wheel; 500 mL 10 EUR|20|0.40",
                "waterless ready to use; 500 mL 10 EUR|240|4.80",
                "waterless 1-4 %; 500 mL 10 EUR|240|0.096"
            })
    void aCarTakesWhatTheLabelAsksOnEachPanelOrTheCommonAmountOfMix(String line, double carMl, double cost) {
        Row row = rows(List.of(), List.of(), product(1, line)).get(0);
        assertThat(row.carMl()).isCloseTo(carMl, within(1e-9));
        assertThat(perCar(row)).isCloseTo(cost, within(1e-9));
    }

    /** "4 mL per panel; 2 coats" at twelve panels is 96 mL; a wash is not put on in coats. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "WATERLESS|waterless 4 mL per panel; 2 coats; 500 mL 10 EUR|96",
                "SEALANT|waterless 4 mL per panel; 2 coats; 500 mL 10 EUR|96",
                "SEALANT|waterless ready to use; 1-2 coats; 500 mL 10 EUR|480",
                "RINSELESS|waterless 4 mL per panel; 2 coats; 500 mL 10 EUR|48"
            })
    void coatsAreReckonedIn(ProductKind kind, String line, double carMl) {
        assertThat(rows(List.of(), List.of(), product(1, kind, line)).get(0).carMl())
                .isCloseTo(carMl, within(1e-9));
    }

    @Test
    void whatAProductCostsDoesNotDependOnWhichOthersAreThere() {
        Product wash = product(1, ProductKind.RINSELESS, "waterless 1:240; 1 L 20 EUR");
        List<Product> all = new java.util.ArrayList<>(List.of(wash));
        double alone = perCar(rows(List.of(), List.of(), wash).get(0));
        assertThat(alone).as("a bucket of 12 L").isCloseTo(12_000 / 241.0 * 0.02, within(1e-9));
        for (int i = 2; i < 8; i++) {
            all.add(product(i, ProductKind.SEALANT, "waterless 4 mL per panel; 500 mL 16 EUR"));
        }
        assertThat(rows(List.of(), List.of(), all.toArray(Product[]::new)).stream()
                        .filter(r -> r.product().id() == 1))
                .singleElement()
                .satisfies(r -> assertThat(perCar(r)).isEqualTo(alone));
    }

    @Test
    void everySizeAndEveryBundleIsARowAndTheCheapestComesFirst() {
        Product concentrate = product(1, "waterless 1:15; 500 mL 16 EUR; 2 L 40 EUR; 5 L");
        Product ready = product(2, "waterless ready to use; 500 mL 10 EUR");
        List<Row> rows = rows(List.of(), List.of(new Bundled(1, "Box", 500, Money.of("8", "EUR"))), concentrate, ready);
        assertThat(rows).extracting(Row::size).containsExactly("500\u202fmL", "2 L", "500 mL", "500 mL", "5 L");
        assertThat(rows).extracting(Row::bundle).startsWith("Box");
        assertThat(perCar(rows.get(0))).isCloseTo(0.24, within(1e-9));
        assertThat(rows.get(4).costs()).as("no price, no cost, last").isEmpty();
        assertThat(rows).extracting(Row::key).doesNotHaveDuplicates();
        assertThat(rows(List.of(), List.of(), product(3, "rinseless 1:240; 500 mL 9 EUR")))
                .as("another job")
                .isEmpty();
    }

    @Test
    void aPriceInAnotherCurrencyCountsOnlyByAStatedRate() {
        Product dollars = product(1, "waterless 1:15; 500 mL 16 USD");
        CostRows without = new CostRows(COMMON, List.of(), Map.of());
        assertThat(without.of(List.of(dollars), "waterless", List.of(), Costs::perCar)
                        .get(0)
                        .costs())
                .isEmpty();
        assertThat(without.unrated).containsExactly(Currency.getInstance("USD"));
        Rate stated = new Rate(EURO, Currency.getInstance("USD"), new BigDecimal("1.25"), LocalDate.of(2026, 5, 1));
        assertThat(perCar(rows(List.of(stated), List.of(), dollars).get(0)))
                .as("the other way round")
                .isCloseTo(0.384, within(1e-9));
    }

    @Test
    void whatARowTakesForGrantedCanBeTypedAndAMistakeIsToldAtItsField() {
        CostRows typed = new CostRows(
                COMMON,
                List.of(),
                Map.of(
                        "dose1-0",
                        "1:31",
                        "car1-0",
                        "480 mL",
                        "price1-0",
                        "€8",
                        "dose1-1",
                        "a good splash",
                        "price1-1",
                        "free"));
        List<Row> rows = typed.of(
                List.of(product(1, "waterless 1:15; 500 mL 16 EUR; 2 L 40 EUR")),
                "waterless",
                List.of(),
                Costs::perCar);
        assertThat(perCar(rows.get(0))).isCloseTo(480 / 32.0 * 8 / 500, within(1e-9));
        assertThat(perCar(rows.get(1))).as("a mistake changes nothing").isCloseTo(0.30, within(1e-9));
        assertThat(typed.problems).containsOnlyKeys("dose1-1", "price1-1");
    }

    @Test
    void theSentenceTellsWhetherTheBottleOrTheDoseMakesTheDifference() {
        List<Row> rows = rows(
                List.of(),
                List.of(),
                product(1, "waterless 1:15; 500 mL 16 EUR"),
                product(2, "waterless ready to use; 500 mL 10 EUR"));
        CostPage page = CostPage.of(
                new CostPage.Asked("waterless", "car", "EUR", "1 L", "240 mL", "12"),
                COMMON,
                List.of(),
                new CostRows(COMMON, List.of(), Map.of()),
                rows,
                List.of(),
                Map.of());
        assertThat(page.sentence().replace('\u202f', ' '))
                .isEqualTo(
                        "Sedge 1 in 500 mL is cheapest: 0.48 EUR for a car. Sedge 2 costs 10× as much: its bottle costs"
                                + " 0.63× as much for each mL, and the job takes 16× as much of it.");
        assertThat(page.rows()).extracting(CostPage.Line::bar).containsExactly("10", "100");
    }
}
