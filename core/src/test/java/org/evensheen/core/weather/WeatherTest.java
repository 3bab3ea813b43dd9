package org.evensheen.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.evensheen.core.units.UnitSystem;
import org.evensheen.core.weather.DryWindow.Hour;
import org.evensheen.core.weather.DryWindow.Limits;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WeatherTest {
    private static final Instant START = Instant.parse("2026-03-28T22:00:00Z");

    @ParameterizedTest
    @CsvSource({"24,45,11.33,1.637", "33,80,29.08,1.004"})
    void dewPointAndDeficitAreThoseWorkedOut(double celsius, double humidity, double dewPoint, double deficit) {
        Air air = new Air(celsius, humidity);
        assertThat(air.dewPoint()).isCloseTo(dewPoint, within(0.005));
        assertThat(air.vapourPressureDeficit()).isCloseTo(deficit, within(0.0007));
        assertThat(air.clears(dewPoint + 3.1)).isTrue();
        assertThat(air.clears(dewPoint + 2.9)).isFalse();
    }

    private static Hour hour(int i, double humidity, double rain, double panel) {
        return new Hour(START.plusSeconds(3600L * i), new Air(16, humidity), rain, Optional.of(panel));
    }

    private static List<Hour> dry(int hours) {
        return new ArrayList<>(
                IntStream.range(0, hours).mapToObj(i -> hour(i, 50, 0, 15)).toList());
    }

    @Test
    void rainDewAndMissingHoursEndAWindow() {
        List<Hour> forecast = dry(40);
        forecast.set(10, hour(10, 50, 0.2, 15));
        forecast.set(20, hour(20, 95, 0, 15));
        forecast.remove(30);
        assertThat(DryWindow.in(forecast, Limits.NONE, 2, 1))
                .extracting(DryWindow::hours)
                .containsExactly(10.0, 9.0, 9.0, 9.0);
        assertThat(DryWindow.in(forecast, Limits.NONE, 2, 8)).hasSize(1);
        assertThat(DryWindow.in(forecast, Limits.NONE, 2, 9)).isEmpty();
    }

    @Test
    void workWaitsUntilThePanelIsWithinTheLabelsLimitsButCureOnlyNeedsItDry() {
        List<Hour> forecast = dry(24);
        for (int i = 0; i < 6; i++) {
            forecast.set(i, hour(i, 40, 0, 7));
        }
        for (int i = 12; i < 24; i++) {
            forecast.set(i, hour(i, 40, 0, 7));
        }
        List<DryWindow> windows = DryWindow.in(forecast, new Limits(Optional.of(10.0), Optional.of(25.0)), 4, 12);
        assertThat(windows).containsExactly(new DryWindow(START.plusSeconds(6 * 3600), START.plusSeconds(24 * 3600)));
        assertThat(DryWindow.in(forecast, new Limits(Optional.of(10.0), Optional.empty()), 7, 1))
                .as("six warm hours hold no seven hours of work")
                .isEmpty();
    }

    /** Every window is made of dry forecast hours without a gap, begins with hours within limits, and is long enough. */
    @Property(tries = 200)
    void everyWindowKeepsWhatItPromises(
            @ForAll @Size(min = 1, max = 80) List<@IntRange(min = 0, max = 9) Integer> sky,
            @ForAll @IntRange(min = 1, max = 6) int work,
            @ForAll @IntRange(min = 0, max = 12) int cure) {
        List<Hour> forecast = new ArrayList<>();
        for (int i = 0; i < sky.size(); i++) {
            int kind = sky.get(i);
            if (kind != 9) {
                forecast.add(hour(i, kind == 8 ? 97 : 45, kind == 7 ? 0.4 : 0, kind == 6 ? 7 : 16));
            }
        }
        Limits limits = new Limits(Optional.of(10.0), Optional.empty());
        List<DryWindow> windows = DryWindow.in(forecast, limits, work, cure);
        for (DryWindow window : windows) {
            assertThat(window.hours()).isGreaterThanOrEqualTo(work + cure);
            for (int h = 0; h < window.hours(); h++) {
                Instant at = window.from().plusSeconds(3600L * h);
                Hour hour = forecast.stream()
                        .filter(f -> f.at().equals(at))
                        .findFirst()
                        .orElseThrow();
                assertThat(hour.rainMm()).isZero();
                assertThat(hour.air().clears(hour.panelCelsius().orElseThrow())).isTrue();
                if (h < work) {
                    assertThat(hour.panelCelsius().orElseThrow()).isGreaterThanOrEqualTo(10);
                }
            }
        }
        assertThat(windows.stream().map(DryWindow::from)).isSorted().doesNotHaveDuplicates();
    }

    @Test
    void warnsOfAPanelNearTheDewPointBeforeItIsTooNear() {
        Air air = new Air(24, 45);
        Limits limits = new Limits(Optional.of(10.0), Optional.of(25.0));

        assertThat(new PanelAir(air, 20).words(limits, UnitSystem.METRIC)).isEmpty();
        assertThat(new PanelAir(air, 15.5).words(limits, UnitSystem.METRIC))
                .extracting(PanelAir.Word::standing)
                .containsExactly(PanelAir.Standing.CLOSE);
        assertThat(new PanelAir(air, 14).words(limits, UnitSystem.METRIC))
                .first()
                .satisfies(w -> {
                    assertThat(w.standing()).isEqualTo(PanelAir.Standing.OUT);
                    assertThat(w.text()).contains("2.7 K above the dew point");
                });
        assertThat(new PanelAir(air, 26).words(limits, UnitSystem.METRIC))
                .extracting(PanelAir.Word::text)
                .containsExactly("The panel, 26 °C, is above what the labels allow, 25 °C.");
    }

    @Test
    void saysHowFarTheInstrumentsLeaveTheClearanceOpen() {
        Random errors = new Random(11);
        DescriptiveStatistics seen = new DescriptiveStatistics();
        for (int i = 0; i < 20_000; i++) {
            seen.addValue(new PanelAir(
                            new Air(18 + 0.5 * errors.nextGaussian(), 55 + 3 * errors.nextGaussian()),
                            17 + 0.5 * errors.nextGaussian())
                    .clearance());
        }
        assertThat(new PanelAir(new Air(18, 55), 17).clearanceUncertainty())
                .isCloseTo(seen.getStandardDeviation(), within(0.03));
    }

    /** A window holds work that begins in it and ends by its end, to the minute. */
    @ParameterizedTest
    @CsvSource({
        "0, 4, true",
        "0, 4.02, false",
        "-1, 2, false",
        "60, 3, true",
        "60, 3.02, false",
        "240, 0, true",
        "241, 0, false"
    })
    void aWindowHoldsWhatBeginsAndEndsInIt(long minutesIn, double hours, boolean holds) {
        Instant from = Instant.parse("2026-06-06T08:00:00Z");
        DryWindow window = new DryWindow(from, from.plusSeconds(4 * 3600));
        assertThat(window.hours()).isEqualTo(4);
        assertThat(window.holds(from.plusSeconds(60 * minutesIn), hours)).isEqualTo(holds);
    }

    @Test
    void limitsOfAPanelHoldAtTheirEnds() {
        Limits limits = new Limits(Optional.of(5.0), Optional.of(30.0));
        assertThat(limits.hold(5)).isTrue();
        assertThat(limits.hold(30)).isTrue();
        assertThat(limits.hold(4.99)).isFalse();
        assertThat(limits.hold(30.01)).isFalse();
        assertThat(Limits.NONE.hold(-40)).isTrue();
    }

    /** Wind and hard water are heeded from their limits on, and who forbids sun is named up to two. */
    @Test
    void aSiteSaysWhatHasToBeHeeded() {
        java.util.function.BiFunction<Double, Double, List<PanelAir.Word>> at =
                (wind, hard) -> new Site(Optional.of(wind), false, Optional.of(hard), Optional.empty())
                        .words(List.of(), UnitSystem.METRIC);
        assertThat(at.apply(Site.DUSTY - 0.01, Site.VERY_HARD - 0.01)).isEmpty();
        assertThat(at.apply(Site.DUSTY, 0.0)).hasSize(1);
        assertThat(at.apply(0.0, Site.VERY_HARD)).hasSize(1);
        assertThat(at.apply(Site.DUSTY, Site.VERY_HARD)).hasSize(2);
        Site sunny = new Site(Optional.empty(), true, Optional.empty(), Optional.empty());
        var metric = UnitSystem.METRIC;
        assertThat(sunny.words(List.of(), metric).get(0).text()).contains("smaller steps");
        assertThat(sunny.words(List.of("Osier"), metric).get(0).text()).contains("the label of Osier says no sun");
        assertThat(sunny.words(List.of("Osier", "Brock"), metric).get(0).text())
                .contains("the labels of Osier and Brock say no sun");
        assertThat(sunny.words(List.of("a", "b", "c"), metric).get(0).text())
                .contains("the labels of 3 products say no sun");
    }
}
