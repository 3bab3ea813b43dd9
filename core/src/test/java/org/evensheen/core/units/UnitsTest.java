package org.evensheen.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Scale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class UnitsTest {

    @ParameterizedTest
    @CsvSource({
        "VOLUME, us fl oz, 29.5735",
        "VOLUME, fl oz, 29.5735",
        "VOLUME, GAL, 3785.41",
        "VOLUME, imp gal, 4546.09",
        "VOLUME, l, 1000",
        "VOLUME, cl, 10",
        "MASS, kg, 1000",
        "FORCE, kg, 9.80665",
        "FORCE, lbf, 4.44822",
        "LENGTH, in, 25.4",
        "DURATION, hrs, 3600",
        "DURATION, week, 604800",
        "DURATION, year, 31556952"
    })
    void aUnitIsKnownByItsNamesInItsFamily(Unit.Family family, String name, double factor) {
        Unit unit = Unit.named(family, name).orElseThrow();
        assertThat(unit.toCanonical(1)).isCloseTo(factor, within(factor * 1e-5));
        assertThat(unit.fromCanonical(unit.toCanonical(7.25))).isCloseTo(7.25, within(1e-12));
    }

    @ParameterizedTest
    @EnumSource(Unit.class)
    void noNameMeansTwoUnitsOfOneFamily(Unit unit) {
        assertThat(unit.names())
                .allSatisfy(name -> assertThat(Unit.named(unit.family(), name)).contains(unit));
    }

    @Test
    void eachFamilyHasItsCanonicalUnit() {
        for (Unit.Family family : Unit.Family.values()) {
            assertThat(java.util.Arrays.stream(Unit.values())
                            .filter(u -> u.family() == family && u.toCanonical(1) == 1))
                    .as(family.name())
                    .hasSize(1);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "18,40|18.40",
                "18.40|18.40",
                ".5|0.5",
                "0.125|0.125",
                "0,125|0.125",
                "1.2500|1.2500",
                "1 250|1250",
                "1'250,5|1250.5",
                "1.250,00|1250.00",
                "1,250.00|1250.00",
                "1.250.000|1250000",
                "12 500|12500",
                "٢٤٠|240",
                "१२|12",
                "２４０,５|240.5",
                "٣٫٥|3.5"
            })
    void aNumberIsReadHoweverItIsWritten(String written, BigDecimal read) {
        assertThat(Decimal.read(written)).isEqualByComparingTo(read);
        assertThat(Decimal.end(Decimal.latin(written) + " mL", 0))
                .as("all of it is the number")
                .isEqualTo(written.length());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"1,250|1250 or 1.2500", "12.500|12500 or 12.5000", "١,٢٥٠|1250 or 1.2500"})
    void whatCanMeanTwoNumbersIsNotGuessed(String written, String both) {
        assertThatThrownBy(() -> Decimal.read(written))
                .isInstanceOf(Decimal.Ambiguous.class)
                .hasMessageContaining(both);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"1.2.3", "1,2,3", "1.25,00.1", "1,25.000,1"})
    void whatIsNoNumberIsRefused(String written) {
        assertThatThrownBy(() -> Decimal.read(written)).isInstanceOf(NumberFormatException.class);
    }

    @Property
    void aWrittenNumberReadsBackAsItself(
            @ForAll @DoubleRange(min = -99_999, max = 99_999) @Scale(3) double value,
            @ForAll @IntRange(max = 9_999_999) int whole) {
        assertThat(Decimal.read(Decimal.write(Math.abs(value))).doubleValue()).isEqualTo(Math.abs(value));
        assertThat(Decimal.read(Decimal.write(whole)).intValueExact()).isEqualTo(whole);
    }

    @Test
    void aSpanRunsUpwardsAndKnowsWhatItHolds() {
        Span span = new Span(1, 3);
        assertThat(span.written()).isEqualTo("1–3");
        assertThat(Span.of(2).written()).isEqualTo("2");
        assertThat(span.holds(3)).isTrue();
        assertThat(span.holds(3.01)).isFalse();
        assertThat(span.times(60)).isEqualTo(new Span(60, 180));
        assertThat(span.middle()).isEqualTo(2);
        assertThatThrownBy(() -> new Span(3, 1)).hasMessageContaining("upwards");
        assertThatThrownBy(() -> new Span(1, Double.POSITIVE_INFINITY)).hasMessageContaining("upwards");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"12 L|12000", "500ml|500", "3 US gal|11356.2", "16 fl. oz.|473.18", "1,5 l|1500", "٥٠٠ mL|500"})
    void aVolumeIsReadWithItsUnit(String typed, double ml) {
        TypedVolume read = TypedVolume.read(typed, "vessel", 1, 1_000_000);
        assertThat(((TypedVolume.Read) read).ml()).isCloseTo(ml, within(ml * 1e-4));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12|Write 12 L or 12 mL",
                "L|with its unit",
                "''|with its unit",
                "12 buckets|not a volume",
                "5000 L|out of reach",
                "0 mL|out of reach",
                "1.2.3 L|not a number",
                "1,250 mL|can be 1250"
            })
    void aVolumeThatCantBeReadSaysWhatToDo(String typed, String saying) {
        TypedVolume read = TypedVolume.read(typed, "vessel", 1, 1_000_000);
        assertThat(((TypedVolume.Refused) read).message()).contains(saying);
    }

    @ParameterizedTest
    @CsvSource({
        "N, 1 kg, 9.807",
        "N, '2,5 lb', 11.12",
        "N, 2 lbf, 8.896",
        "mm, 1 in, 25.4",
        "g, 10 mL, 9.982",
        "g, 1 oz, 28.35",
        "N, 9.8 n, 9.8"
    })
    void aNumberInAnotherUnitOfItsKindIsTaken(String unit, String typed, double taken) {
        TypedNumber read = TypedNumber.read(typed, "reading", unit, 0, 1000);
        assertThat(((TypedNumber.Read) read).value()).isEqualTo(taken);
        assertThat(((TypedNumber.Refused) TypedNumber.read("3 °C", "reading", unit, 0, 1000)).message())
                .contains("not a unit that is read here");
        assertThat(((TypedNumber.Refused) TypedNumber.read("900 kg", "pull", "N", 0, 1000)).message())
                .as("its limits are in its own unit")
                .contains("8826 N is out of reach");
    }

    @ParameterizedTest
    @CsvSource({
        "US, 2.2, N, 9.786",
        "US, 2.2 lbf, N, 9.786",
        "US, 9.8 N, N, 9.8",
        "US, 1 kg, N, 9.807",
        "METRIC, 2.2, N, 2.2",
        "METRIC, 2.2 lbf, N, 9.786",
        "US, 59, °C, 15",
        "US, -4, °C, -20",
        "US, 12 °C, °C, 12",
        "METRIC, 12, °C, 12",
        "METRIC, −3, °C, -3",
        "METRIC, 59 F, °C, 15",
        "US, 10, m/s, 4.47",
        "US, '2,1', mm, 2.1"
    })
    void aBareNumberIsOfThePersonsUnitAndAWrittenUnitIsTakenAtItsWord(
            UnitSystem system, String typed, String unit, double metric) {
        TypedNumber read = system.read(typed, "number", unit, unit.equals("°C") ? -60 : 0.1, 60);
        assertThat(read).isEqualTo(new TypedNumber.Read(metric));
    }

    @ParameterizedTest
    @CsvSource({
        "US, 50, between 0.02248 and 13.49 lbf",
        "US, wet, in lbf",
        "US, 2 apples, “apples” is not a unit",
        "METRIC, 61, between 0.1 and 60 N",
        "METRIC, -1, without the minus"
    })
    void whatIsRefusedIsToldInThePersonsUnit(UnitSystem system, String typed, String said) {
        assertThat(system.read(typed, "pull", "N", 0.1, 60))
                .isInstanceOfSatisfying(
                        TypedNumber.Refused.class, r -> assertThat(r.message()).contains(said));
    }

    @Test
    void whatIsShownComesBack() {
        UnitSystem.Shown pull = UnitSystem.US.shown("N");
        assertThat(pull.of(9.8)).isCloseTo(2.20313, within(5e-6));
        assertThat(pull.metric(pull.of(9.8))).isCloseTo(9.8, within(1e-12));
        assertThat(UnitSystem.US.write(15, "°C")).isEqualTo("59 °F");
        assertThat(UnitSystem.US.write(3, "K")).isEqualTo("5.4 °F");
        assertThat(UnitSystem.METRIC.write(3, "K")).isEqualTo("3 K");
        assertThat(UnitSystem.US.tape().of(1500)).isCloseTo(59.055, within(5e-4));
        assertThat(UnitSystem.US.shown("g/m²").differs()).isFalse();
        assertThat(UnitSystem.ofCode("US")).isEqualTo(UnitSystem.METRIC);
    }
}
