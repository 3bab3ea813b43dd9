package org.evensheen.core.label;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Currency;
import java.util.List;
import java.util.Optional;
import org.evensheen.core.cost.Money;
import org.evensheen.core.label.LabelLine.Part;
import org.evensheen.core.label.LabelLine.Problem;
import org.evensheen.core.mixing.Dose;
import org.evensheen.core.mixing.Reading;
import org.evensheen.core.units.Span;
import org.evensheen.core.units.Unit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LabelLineTest {

    @Test
    void aLineIsReadIntoClaims() {
        LabelLine.Outcome read = LabelLine.read(
                "rinseless 1:240; drying aid 1:60; wait 1-3 min; dry 12 h; lasts 6 months; 500 mL 18.40 EUR");
        assertThat(read.problems()).isEmpty();
        assertThat(read.label().claims())
                .containsExactly(
                        new Claim.Use("rinseless", new Dose.Dilution(Span.of(240), Reading.PARTS)),
                        new Claim.Use("drying aid", new Dose.Dilution(Span.of(60), Reading.PARTS)),
                        new Claim.Wait(new Span(1, 3), Unit.MINUTE),
                        new Claim.KeepDry(Span.of(12), Unit.HOUR),
                        new Claim.Lasts(Span.of(6), Unit.MONTH),
                        new Claim.Offer(500, Unit.MILLILITRE, Optional.of(Money.of("18.40", "EUR"))));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "wash 1:100-1:400|wash 1:100–400",
                "wash 1:400 – 1:100|wash 1:100–400",
                "wash 1:100 to 400 in total|wash 1 in 100–400",
                "wash 1 in 240|wash 1 in 240",
                "1+9|1:9",
                "wash 10:1|wash 1:10",
                "wash 256 to 1|wash 1:256",
                "wash 1 to 256|wash 1:256",
                "wash 2:30|wash 1:15",
                "wash 10 mL in 90 mL of water|wash 1:9",
                "wash 5-10 mL in 90 mL water|wash 1:9–18",
                "wash 1 oz in 1 gal|wash 1 US fl oz in 1 US gal",
                "wait 3 h or 24 h|wait 3–24 h",
                "up to 12 months|lasts 12 months",
                "lasts up to 6 washes|lasts 6 washes",
                "24 cars per bottle|does 24 cars a bottle",
                "up to 24 cars|does 24 cars a bottle",
                "enough for 30-40 panels|does 30–40 panels a bottle",
                "makes 80 wheels|does 80 wheels a bottle",
                "pH neutral|pH 6–8",
                "no direct sun|no sun",
                "rinse after 30–40 s|rinse off; wait 30–40 s",
                "buff after 1 min|buff; wait 1 min",
                "2-in-1 wash 5%|2-in-1 wash 5 %",
                "prewash 3 to 5 per cent|prewash 3–5 %",
                "1-3 fl oz / 5 gal|1–3 US fl oz in 5 US gal",
                "20 ml/l|20 mL in 1 L",
                "2 capfuls per 10 litres|2 caps in 10 L",
                "3-5 in 500|1 in 100–166.666666667",
                "foam 2 to 4 : 500|foam 1:125–250",
                "18.40 in 500|1 in 27.1739130435",
                "1 cap in 5 L|1 cap in 5 L",
                "seal 3-5 sprays per section|seal 3–5 sprays per section",
                "10 mL per panel|10 mL per panel",
                "waterless ready-to-use|waterless ready to use",
                "dwell 30 sec to 2 min|wait 30–120 s",
                "dwell 30-60s|wait 30–60 s",
                "two coats|!Begin with what it is",
                "coats 2|2 coats",
                "1 coat|1 coat",
                "section 60x40 cm|section 60 × 40 cm",
                "section 24 in|section 60.96 × 60.96 cm",
                "rinse|rinse off",
                "no buff|no buff",
                "layer after 1 hour|next layer 1 h",
                "panel 5-30 °C|panel 5–30 °C",
                "-5 to 25 c|panel -5–25 °C",
                "40-90 F|panel 40–90 °F",
                "above 5 °C|panel above 5 °C",
                "shade only|no sun",
                "for paint and glass, trim|for paint, glass, trim",
                "never on tyres|not for tyres",
                "life 20 washes|lasts 20 washes",
                "lasts 3-6 months|lasts 3–6 months",
                "lasts 1 year|lasts 1 year",
                "pH 6,5-7.5|pH 6.5–7.5",
                "shelf life 2 years|keeps 2 years",
                "mix keeps 14 days|mix keeps 14 days",
                "smells of cut grass|scent cut grass",
                "caution: acid, iron remover|caution acid, iron remover",
                "5 L 1.250,00 eur|5 L 1250.00 EUR",
                "5 L 1,250.00 EUR|5 L 1250.00 EUR",
                "1 000 mL €18,40|1000 mL 18.40 EUR",
                "200 g £24|200 g 24.00 GBP",
                "500 mL 1 840 JPY|500 mL 1840 JPY",
                "rinseless ١:٢٤٠|rinseless 1:240",
                "rinseless １:２４０|rinseless 1:240"
            })
    void eachClaimReadsBackAsItPrints(String written, String printed) {
        LabelLine.Outcome read = LabelLine.read(written);
        if (printed.startsWith("!")) {
            assertThat(read.problems())
                    .singleElement()
                    .extracting(Problem::message)
                    .asString()
                    .contains(printed.substring(1));
            return;
        }
        assertThat(read.problems()).isEmpty();
        assertThat(read.label().print()).isEqualTo(printed);
        assertThat(LabelLine.read(printed).label()).isEqualTo(read.label());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "24 cars|cars|Say of what",
                "does 24|24|cars, wheels or panels",
                "does 20000 cars|does 20000 cars|from 1 to 10000",
                "wash 1:0|1:0|holds no water",
                "wash 10 in 2|10 in 2|More product than mix",
                "wash 0:5|0:5|holds no product",
                "wash 1 in 1|1 in 1|holds no water",
                "wait 3-1 min|3-1|runs downwards. Write 1–3",
                "wash 5-3 %|5-3|runs downwards. Write 3–5",
                "wash 120 %|120 %|more than 100 %",
                "wash 0 %|0 %|plain water",
                "wash 6 L in 5 L|6 L in 5 L|more than 100 %",
                "wash 30 g per 10 L|30 g per|by weight",
                "wash 3 sprays|3 sprays|Say what that is for",
                "500 mL 18.40 EURO|EURO|not a currency",
                "500 mL 18.40 XAU|XAU|not a currency",
                "500 mL $18.40|$|More than one currency",
                "500 mL 0 EUR|0 EUR|zero",
                "500 mL 18.40|18.40|currency too",
                "18.40 EUR|18.40 EUR|Say for what size",
                "500 mL 1,250 EUR|1,250|can be 1250 or 1.2500",
                "500 mL 1.2.3 EUR|1.2.3|not a number",
                "pH 15|15|from 0 to 14",
                "for bumper|bumper|not a surface",
                "caution dragons|dragons|not a caution",
                "wait soon|soon|A time is wanted",
                "wait 3|3|unit of time",
                "wait 2 min - 30 s|2 min - 30 s|runs downwards",
                "panel 30-5 °C|30-5|runs downwards",
                "dry 12 h and cool|and cool|not read here",
                "what a product|what a product|Begin with what it is"
            })
    void whatCantBeReadIsPointedAtWithTheRemedy(String written, String place, String saying) {
        String line = "pH 7; " + written + " ; no sun";
        LabelLine.Outcome read = LabelLine.read(line);
        assertThat(read.label().print()).as("the rest is read").isEqualTo("pH 7; no sun");
        Problem problem = read.problems().get(0);
        assertThat(read.problems()).hasSize(1);
        assertThat(problem.message()).contains(saying);
        assertThat(line.substring(problem.start(), problem.end()))
                .as(problem.message())
                .isEqualTo(place);
    }

    @Test
    void nothingIsDroppedAndNothingSaidTwice() {
        String line = " wait 1 min;;\nwait 2 min\r\n rinseless 1:240; Rinseless 1:100; 1 L 9 EUR; 1000 mL 8 EUR ";
        LabelLine.Outcome read = LabelLine.read(line);
        assertThat(read.problems()).extracting(Problem::message).hasSize(3).allMatch(m -> m.contains("said already"));
        StringBuilder rest = new StringBuilder(line);
        List<Part> parts = read.parts();
        for (int i = parts.size() - 1; i >= 0; i--) {
            rest.delete(parts.get(i).start(), parts.get(i).end());
        }
        assertThat(rest.toString().replaceAll("[;\\s]", ""))
                .as("outside of every part")
                .isEmpty();
        assertThat(LabelLine.read("x".repeat(5000)).problems())
                .singleElement()
                .extracting(Problem::message)
                .asString()
                .contains("4000");
    }

    @Test
    void claimsAreKeptInTheLabelsUnitsAndReckonedInOurs() {
        Label label = LabelLine.read("lasts 6 months; panel 41-86 F; wait 1-3 min; 16 US fl oz 12 USD")
                .label();
        assertThat(label.one(Claim.Lasts.class).orElseThrow().weeks().low()).isCloseTo(26.09, within(0.005));
        assertThat(label.one(Claim.PanelTemperature.class)
                        .orElseThrow()
                        .lowCelsius()
                        .orElseThrow())
                .isCloseTo(5, within(1e-9));
        assertThat(label.one(Claim.Wait.class).orElseThrow().seconds()).isEqualTo(new Span(60, 180));
        assertThat(label.offers().get(0).ml()).isCloseTo(473.18, within(0.005));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "500 mL 18.40|EUR|500 mL 18.40 EUR",
                "500 mL 18,40|USD|500 mL 18.40 USD",
                "500 mL $18.40|CAD|500 mL 18.40 CAD",
                "500 mL £18.40|EUR|500 mL 18.40 GBP",
                "500 mL 1840 JPY|EUR|500 mL 1840 JPY",
                "500 mL $18.40|EUR|!More than one currency",
                "500 mL 18.40 EURO|EUR|!“EURO” is not a currency"
            })
    void aPriceWithoutACurrencyIsInTheOneOfHome(String written, String home, String printed) {
        LabelLine.Outcome read = LabelLine.read(written, Optional.of(Currency.getInstance(home)));
        assertThat(read.problems()).hasSize(printed.startsWith("!") ? 1 : 0);
        assertThat(
                        printed.startsWith("!")
                                ? "!" + read.problems().get(0).message()
                                : read.label().print())
                .contains(printed);
    }

    /** What a label warns of, and what its pH makes of it by itself. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "caution aerosol, slippery|AEROSOL SLIPPERY",
                "pH 1|ACID",
                "pH 12.5|ALKALINE",
                "pH 7|''",
                "pH 1–13|ACID ALKALINE",
                "caution solvent; pH 1|ACID SOLVENT",
                "wait 1 min|''"
            })
    void hazardsAreThoseNamedAndThoseOfItsPh(String line, String hazards) {
        assertThat(LabelLine.read(line).label().hazards().stream()
                        .map(Enum::name)
                        .sorted()
                        .collect(java.util.stream.Collectors.joining(" ")))
                .isEqualTo(hazards);
    }

    /** A use has one dose and a size one price; sizes that differ may both stand. */
    @Test
    void whatCanStandOnlyOnceIsRefusedTwice() {
        for (String twice :
                new String[] {"wait 1 min; wait 2 min", "500 mL 9 EUR; 0.5 L 8 EUR", "wash 1:10; Wash 1:20"}) {
            assertThat(LabelLine.read(twice).problems()).as(twice).hasSize(1);
        }
        assertThat(LabelLine.read("500 mL 9 EUR; 1 L 15 EUR; wash 1:10; clay 1:20")
                        .problems())
                .isEmpty();
        assertThat(LabelLine.read("500 mL 9 EUR; 1 L 15 EUR").label().offers()).hasSize(2);
    }

    /** What a bottle is said to do is said of the largest, and goes by size. */
    @Test
    void whatIsPromisedGoesBySize() {
        Label label = LabelLine.read("500 mL 5 EUR; 2 L 15 EUR; does 20-28 cars a bottle")
                .label();
        assertThat(label.promised(Claim.Yield.Of.CARS, 2000)).hasValue(24);
        assertThat(label.promised(Claim.Yield.Of.CARS, 500)).hasValue(6);
        assertThat(label.promised(Claim.Yield.Of.WHEELS, 500)).isEmpty();
        assertThat(LabelLine.read("does 9 wheels").label().promised(Claim.Yield.Of.WHEELS, 750))
                .as("sold in no size that is known")
                .hasValue(9);
    }
}
