package org.evensheen.app.labels;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.evensheen.core.label.LabelLine;
import org.evensheen.core.mixing.Calibration;
import org.evensheen.core.mixing.Counter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ClaimWordsTest {
    private static final List<Calibration> WEIGHED = List.of(new Calibration(Counter.SPRAY, 1.2));

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "rinseless 1:240|Rinseless|1:240|1 + 240 of water; 4.15 mL a litre",
                "1 in 100-400|Use|1 in 100–400|1 in 100–400 of mix; 2.50–10.0 mL a litre",
                "wash 3 %|Wash|3 %|30.0 mL a litre",
                "wash 1-3 US fl oz in 5 US gal|Wash|1–3 US fl oz in 5 US gal|1.56–4.69 mL a litre",
                "wash 2 caps in 10 L|Wash|2 caps in 10 L|weigh a cap once, and this becomes mL",
                "seal 3-5 sprays per section|Seal|3–5 sprays per section|3.60–6.00 mL",
                "10 mL per panel|Use|10 mL per panel|''",
                "ready to use|Use|ready to use|as it comes",
                "wait 1-3 min|Spread and wait|1–3 min|''",
                "rinse off|Then|rinse off|''",
                "no buff|Then|leave it; no buffing|''",
                "dry 12 h|Keep dry for|12 h|''",
                "next layer 24 h|Next layer after|24 h|''",
                "2 coats|Coats|2 coats|''",
                "section 60 x 60 cm|Section|60 × 60 cm|0.36 m²",
                "panel 41-86 F|Panel|41–86 °F|from 5 to 30 °C",
                "panel above 5 C|Panel|above 5 °C|''",
                "no sun|Sun|not in the sun|''",
                "for paint, glass|For|paint, glass|''",
                "not for trim|Not for|trim|''",
                "lasts 6 months|Said to last|6 months|26 weeks",
                "lasts 8-10 weeks|Said to last|8–10 weeks|''",
                "lasts 20 washes|Said to last|20 washes|''",
                "renew at each wash|Put on again|every wash|''",
                "reapply every 3 weeks|Put on again|every 3 weeks|''",
                "top up every second wash|Put on again|every 2 washes|''",
                "scratch-free|Marks|none|only soft dark paint can show it",
                "pH 3|pH|3|acid side",
                "pH 6.5-7.5|pH|6.5–7.5|about neutral",
                "500 mL 18.40 EUR|Sold as|500 mL|18.40 EUR, 36.80 EUR a litre",
                "200 g|Sold as|200 g|no price told",
                "keeps 24 months|Keeps, once opened|24 months|''",
                "mix keeps 14 days|Keeps, once mixed|14 days|''",
                "no scent|Scent|none|''",
                "caution acid, aerosol|Caution|acid, aerosol|''"
            })
    void everyClaimIsSaidAsWrittenAndWithWhatItComesTo(String line, String title, String says, String means) {
        LabelLine.Outcome read = LabelLine.read(line);
        assertThat(read.problems()).isEmpty();
        ClaimWords words = ClaimWords.of(read.label(), WEIGHED).get(0);
        assertThat(words.title()).isEqualTo(title);
        assertThat(words.says()).isEqualTo(says);
        assertThat(words.means().replace('\u202f', ' ')).isEqualTo(means);
    }

    @Test
    void cautionsNameEachThingToWearOnce() {
        Cautions cautions =
                Cautions.of(LabelLine.read("caution acid, iron remover").label().hazards());
        assertThat(cautions.what()).hasSize(2);
        assertThat(cautions.wear()).isEqualTo("gloves, goggles, covered arms, a mask, open air");
        assertThat(cautions.none()).isFalse();
        assertThat(Cautions.of(List.of()).none()).isTrue();
    }

    /** What lasts need not be put on again before. */
    @ParameterizedTest
    @CsvSource({
        "lasts 26 weeks; renew every wash, true",
        "lasts 6 months; renew every 4 weeks, true",
        "lasts 20 washes; renew every 2 washes, true",
        "lasts 20 washes; renew every 30 weeks, false",
        "lasts 4 weeks; renew every 4 weeks, false",
        "lasts 4 weeks; renew every 3 weeks, true",
        "lasts 26 weeks, false",
        "renew every wash, false"
    })
    void aLabelThatContradictsItselfIsTold(String line, boolean told) {
        List<String> odd = ClaimWords.contradictions(LabelLine.read(line).label());
        assertThat(odd).hasSize(told ? 1 : 0);
        if (told) {
            assertThat(odd.get(0)).contains("“" + line.split("; ")[0] + "”", "“" + line.split("; ")[1] + "”");
        }
    }
}
