package org.evensheen.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.labels.Product;
import org.evensheen.app.labels.StockStore.Bottle;
import org.evensheen.app.labels.StockStore.Pour;
import org.evensheen.app.shelf.ProductStock.Taking;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.label.ProductKind;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.stock.RealYield;
import org.evensheen.core.stock.Remaining;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProductStockTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 6, 15);

    private static Product product(String line) {
        return product(ProductKind.SEALANT, line);
    }

    private static Product product(ProductKind kind, String line) {
        return new Product(
                1,
                "Sedge",
                kind,
                Optional.of(1L),
                1,
                line,
                LabelLine.read(line).label(),
                List.of(new Calibration(Counter.SPRAY, 1.5)),
                Optional.empty(),
                Remaining.of(List.of(), 0));
    }

    private static Pour pour(double ml, int daysAgo, Optional<Long> study, boolean undone) {
        return pour("poured", ml, daysAgo, study, undone);
    }

    private static Pour pour(String kind, double ml, int daysAgo, Optional<Long> study, boolean undone) {
        return new Pour(
                1,
                1,
                kind,
                ml,
                Optional.empty(),
                "",
                Optional.empty(),
                Optional.empty(),
                study,
                TODAY.minusDays(daysAgo),
                "Ana",
                undone);
    }

    private static Bottle bottle(double ml, int openedDaysAgo) {
        return new Bottle(
                1,
                ml,
                "bought",
                Optional.empty(),
                openedDaysAgo < 0 ? Optional.empty() : Optional.of(TODAY.minusDays(openedDaysAgo)));
    }

    private static Taking taking(boolean applied, int startsIn, int endsIn, int sections, double poured) {
        return new Taking(
                9, "Which stays?", TODAY.plusDays(startsIn), TODAY.plusDays(endsIn), applied, sections, poured);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "3-5 sprays per section; 2 coats|12",
                "10 mL per panel|10",
                "1:249|1",
                "ready to use|2",
                "1-2 coats|4"
            })
    void whatASectionTakesIsTheLabelsOrElseAPlainGuess(String line, double ml) {
        assertThat(ProductStock.onSection(product(line))).isCloseTo(ml, within(1e-9));
    }

    @Test
    void aPlannedStudyTakesItsSectionsWhenItBegins() {
        ProductStock stock = ProductStock.of(
                product("5 mL per section"),
                List.of(bottle(100, 20)),
                List.of(pour(75, 100, Optional.empty(), false), pour(500, 2, Optional.empty(), true)),
                List.of(taking(false, 10, 60, 6, 0), taking(true, -90, -10, 6, 40)),
                TODAY);
        assertThat(stock.remaining().leftMl())
                .as("an undone pour takes nothing")
                .isEqualTo(25);
        assertThat(stock.perDay()).as("nothing in the last eight weeks").isZero();
        assertThat(stock.outlook().emptyOn())
                .as("30 mL on day 10, where 25 are left")
                .contains(TODAY.plusDays(10));
        assertThat(stock.outlook().studies())
                .as("the one that is over takes no more")
                .hasSize(1);
        assertThat(stock.outlook().studies().get(0).wantingMl()).isEqualTo(5);
    }

    @Test
    void aRunningStudyGoesOnAtItsOwnPaceAndTheRestAtItsOwn() {
        ProductStock stock = ProductStock.of(
                product("5 mL per section"),
                List.of(bottle(500, 20), bottle(500, -1)),
                List.of(pour(60, 20, Optional.of(9L), false), pour(40, 10, Optional.empty(), false)),
                List.of(taking(true, -30, 30, 6, 60)),
                TODAY);
        assertThat(stock.remaining().full()).isEqualTo(1);
        assertThat(stock.remaining().inUseMl()).isEqualTo(400);
        assertThat(stock.perDay()).as("40 mL in ten days").isCloseTo(4, within(1e-9));
        // 2 mL a day for the study to day 30 and 4 mL a day besides: 180 mL by then, 900 mL by day 210.
        assertThat(stock.outlook().studies().get(0).lasts()).isTrue();
        assertThat(stock.outlook().emptyOn()).contains(TODAY.plusDays(210));
    }

    /** Mixes of 40 and 50.909 mL out of 500 mL do 11 cars where 24 were promised: 2.2 times as much a car. */
    @Test
    void realYieldIsWhatWasUsedUpByUsesLogged() {
        List<Pour> pours = List.of(
                pour("mixed", 40, 20, Optional.empty(), false),
                pour("mixed", 1000 / 11.0 - 40, 10, Optional.empty(), false),
                pour("mixed", 400, 9, Optional.of(9L), false),
                pour("mixed", 400, 8, Optional.empty(), true),
                pour("poured", 100, 7, Optional.empty(), false),
                mixed("drying aid", 3));
        RealYield yield = stock(ProductKind.SOAP, pours).yield().orElseThrow();
        assertThat(yield.uses()).isEqualTo(2);
        assertThat(yield.each().uses()).isCloseTo(11, within(1e-9));
        assertThat(yield.each().timesPromised(yield.promised().orElseThrow())).isCloseTo(2.18, within(0.005));
        assertThat(stock(ProductKind.SEALANT, pours).yield())
                .as("no car is washed with it")
                .isEmpty();
        assertThat(stock(ProductKind.SOAP, pours.subList(1, 6)).yield())
                .as("one use is no yield")
                .isEmpty();
    }

    private static Pour mixed(String job, double ml) {
        return new Pour(
                1,
                1,
                "mixed",
                ml,
                Optional.empty(),
                job,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                TODAY,
                "Ana",
                false);
    }

    private static ProductStock stock(ProductKind kind, List<Pour> pours) {
        return ProductStock.of(
                product(kind, "wash 1:100; 500 mL 5 EUR; does 24 cars a bottle"),
                List.of(bottle(500, 30)),
                pours,
                List.of(),
                TODAY);
    }
}
