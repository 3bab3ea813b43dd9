package org.evensheen.core.label;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.evensheen.core.cautions.Hazard;
import org.evensheen.core.cost.Money;
import org.evensheen.core.mixing.Counter;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Place;
import org.evensheen.core.mixing.Reading;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;

class LabelPropertiesTest {

    @Property
    void aPrintedLabelReadsBackAsItself(@ForAll("labels") Label label) {
        LabelLine.Outcome read = LabelLine.read(label.print());
        assertThat(read.problems()).isEmpty();
        assertThat(read.label()).isEqualTo(label);
    }

    @Property
    void anyTextIsReadOrPointedAt(@ForAll("scribbles") String line) {
        LabelLine.Outcome read = LabelLine.read(line);
        for (LabelLine.Part part : read.parts()) {
            assertThat(part.claim().isPresent()).isNotEqualTo(part.problem().isPresent());
            part.problem().ifPresent(p -> {
                assertThat(p.start()).isGreaterThanOrEqualTo(part.start()).isLessThan(p.end());
                assertThat(p.end()).isLessThanOrEqualTo(part.end());
            });
        }
        assertThat(LabelLine.read(read.label().print()).label()).isEqualTo(read.label());
    }

    @Provide
    Arbitrary<String> scribbles() {
        return Arbitraries.of(
                        "wash", "1:240", ";", " ", "3-5", "%", "mL", "per", "panel", "dry", "12 h", "\n", "500",
                        "18.40", "EUR", "€", "pH", "7", "٣", "1,250", "°C", "-", "scent", "no sun", "lasts", "weeks",
                        "in", "10 L", "caps", "\u00e9")
                .list()
                .ofMaxSize(14)
                .map(pieces -> String.join(" ", pieces));
    }

    private static Arbitrary<Double> decimals(double low, double high) {
        return Arbitraries.bigDecimals()
                .between(BigDecimal.valueOf(low), BigDecimal.valueOf(high))
                .ofScale(3)
                .map(BigDecimal::doubleValue);
    }

    private static Arbitrary<Span> spans(double low, double high) {
        return Combinators.combine(decimals(low, high), decimals(low, high))
                .as((a, b) -> new Span(Math.min(a, b), Math.max(a, b)));
    }

    private static Arbitrary<Unit> units(Unit.Family family, Unit... but) {
        return Arbitraries.of(Unit.values())
                .filter(u -> u.family() == family && !List.of(but).contains(u));
    }

    private static Arbitrary<Dose> doses() {
        return Arbitraries.oneOf(
                Combinators.combine(spans(1.5, 5000), Arbitraries.of(Reading.class))
                        .as(Dose.Dilution::new),
                spans(0.01, 100).map(Dose.Percent::new),
                Combinators.combine(
                                spans(0.5, 40),
                                units(
                                        Unit.Family.VOLUME,
                                        Unit.US_GALLON,
                                        Unit.IMPERIAL_GALLON,
                                        Unit.LITRE,
                                        Unit.US_QUART))
                        .as((amount, unit) -> new Dose.PerVolume(amount, unit, 5, Unit.US_GALLON)),
                Combinators.combine(Arbitraries.of(Counter.class), spans(1, 40))
                        .as((c, n) -> new Dose.Counted(c, n, 10.5, Unit.LITRE)),
                Combinators.combine(Arbitraries.of(Counter.class), spans(1, 40), Arbitraries.of(Place.class))
                        .as(Dose.CountedOn::new),
                Combinators.combine(spans(1, 40), units(Unit.Family.VOLUME), Arbitraries.of(Place.class))
                        .as(Dose.VolumeOn::new),
                Arbitraries.just(new Dose.ReadyToUse()));
    }

    @Provide
    Arbitrary<Label> labels() {
        Arbitrary<Unit> times = units(Unit.Family.DURATION);
        Arbitrary<Claim> claims = Arbitraries.oneOf(List.of(
                Combinators.combine(Arbitraries.of("", "rinseless", "drying aid", "2-in-1 clay lube"), doses())
                        .as(Claim.Use::new),
                Combinators.combine(spans(0.1, 20), times).as(Claim.Wait::new),
                Arbitraries.of(Claim.Finish.How.class).map(Claim.Finish::new),
                Arbitraries.integers().between(1, 9).map(n -> new Claim.Coats(new Span(1, n))),
                Combinators.combine(decimals(5, 400), decimals(5, 400)).as(Claim.SectionSize::new),
                Combinators.combine(spans(0.1, 20), times).as(Claim.KeepDry::new),
                Combinators.combine(spans(0.1, 20), times).as(Claim.NextLayer::new),
                Combinators.combine(
                                decimals(-10, 20),
                                decimals(21, 60),
                                Arbitraries.of(true, false),
                                Arbitraries.of(0, 1, 2))
                        .as((low, high, f, ends) -> new Claim.PanelTemperature(
                                ends == 1 ? Optional.empty() : Optional.of(low),
                                ends == 2 ? Optional.empty() : Optional.of(high),
                                f)),
                Arbitraries.of(true, false).map(Claim.Sun::new),
                Arbitraries.of(Surface.class).set().ofMinSize(1).map(s -> new Claim.For(new TreeSet<>(s))),
                Arbitraries.of(Surface.class).set().ofMinSize(1).map(s -> new Claim.NotFor(new TreeSet<>(s))),
                Combinators.combine(spans(0.1, 20), Arbitraries.of(Unit.DAY, Unit.WEEK, Unit.MONTH, Unit.YEAR))
                        .as(Claim.Lasts::new),
                spans(1, 90).map(Claim.LastsWashes::new),
                Combinators.combine(Arbitraries.integers().between(1, 100), Arbitraries.of(Claim.Renew.Per.class))
                        .as(Claim.Renew::new),
                Arbitraries.just(new Claim.NoMarks()),
                Combinators.combine(spans(1, 90), Arbitraries.of(Claim.Yield.Of.class))
                        .as(Claim.Yield::new),
                spans(0, 14).map(Claim.Ph::new),
                Combinators.combine(
                                decimals(1, 5000),
                                Arbitraries.of(Unit.MILLILITRE, Unit.US_FLUID_OUNCE, Unit.GRAM),
                                decimals(0.5, 4000),
                                Arbitraries.of("EUR", "USD", "JPY", "BHD"))
                        .as((size, unit, price, code) ->
                                new Claim.Offer(size, unit, Optional.of(Money.of(String.valueOf(price), code)))),
                Arbitraries.of("", "pear", "cut grass; none").map(s -> new Claim.Scent(s.replaceAll(";.*", ""))),
                Arbitraries.of(Hazard.class).set().ofMinSize(1).map(h -> new Claim.Caution(new TreeSet<>(h)))));
        return claims.list().ofMaxSize(12).uniqueElements(Label::slot).map(Label::new);
    }
}
