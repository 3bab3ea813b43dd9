package org.evensheen.app.prints;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SamplePlan;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.studies.Study;
import org.evensheen.app.studies.StudyStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class PrintTest {
    private static final int SCALE = 6;

    /** Reads a QR code back from the path that draws it, module by module: where to look for it is known. */
    private static String decoded(String viewBox, String path) throws Exception {
        int size = Integer.parseInt(viewBox.split(" ")[2]);
        int[] pixels = new int[size * SCALE * size * SCALE];
        Arrays.fill(pixels, 0xFFFFFF);
        Matcher run = Pattern.compile("M(\\d+),(\\d+)h(\\d+)v1").matcher(path);
        while (run.find()) {
            int x = Integer.parseInt(run.group(1)) * SCALE;
            int y = Integer.parseInt(run.group(2)) * SCALE;
            assertThat(Math.min(x, y)).as("a blank border of four modules").isGreaterThanOrEqualTo(4 * SCALE);
            int width = Integer.parseInt(run.group(3)) * SCALE;
            for (int row = y; row < y + SCALE; row++) {
                Arrays.fill(pixels, row * size * SCALE + x, row * size * SCALE + x + width, 0);
            }
        }
        return new QRCodeReader()
                .decode(
                        new BinaryBitmap(
                                new HybridBinarizer(new RGBLuminanceSource(size * SCALE, size * SCALE, pixels))),
                        Map.of(DecodeHintType.PURE_BARCODE, true))
                .getText();
    }

    @Test
    void everyTagOpensTheSlateOfItsSection() throws Exception {
        long id = SamplePlan.begin(SamplePlan.make(SamplePlan.fair()));
        Study study = LiveApp.bean(StudyStore.class).load(id);
        String page = Web.get("/studies/" + id + "/print").body();
        Matcher tag = Pattern.compile("(?s)<b>(\\w+)</b>\\s*<svg\\s+viewBox=\"([^\"]+)\".*?<path\\s+d=\"([^\"]+)\"")
                .matcher(page);
        List<String> codes = new ArrayList<>();
        while (tag.find()) {
            String address = decoded(tag.group(2), tag.group(3));
            assertThat(address).isEqualTo(LiveApp.url() + "/studies/" + id + "?section=" + tag.group(1));
            assertThat(Web.get(address.substring(LiveApp.url().length())).body())
                    .contains("Section " + tag.group(1));
            codes.add(tag.group(1));
        }
        assertThat(codes)
                .containsExactlyInAnyOrderElementsOf(
                        study.record().sections().stream().map(s -> s.code()).toList());
    }

    @Test
    void theKitTheRunSheetAndTheKeyAreThereAndTheKeyStandsApart() {
        Map<String, String> typed = SamplePlan.fair();
        typed.put("name1", "Brock Paste over Osier Spray Seal");
        typed.put("name2", "Tidewrack Mist Coat");
        long id = SamplePlan.begin(SamplePlan.make(typed));
        String page = plain("/studies/" + id + "/print");
        assertThat(page)
                .contains(
                        "Masking tape, ",
                        "buffing and drying towels",
                        "Wear: solvent-proof gloves, fresh air.",
                        "Prove bare and read",
                        "A label asks to keep dry until then",
                        "safety data sheet");
        assertThat(page).doesNotContain("Brock", "Osier", "Tidewrack");

        assertThat(plain("/studies/" + id + "/print/key"))
                .contains("The key is closed")
                .doesNotContain("Brock", "Osier", "Tidewrack");
        SampleStudy.see(id, "paper", 0);
        assertThat(plain("/studies/" + id + "/print/key"))
                .contains("Osier Spray Seal 52.9\u202fmL, 46 sprays for 4 sections and 2 coats")
                .containsPattern("\\w·\\w Brock Paste over Osier Spray Seal")
                .containsPattern("\\w·\\w Bare");
    }

    private static String plain(String address) {
        return Web.get(address).body().replaceAll("<[^>]+>", " ").replaceAll("\\s+", " ");
    }

    @Test
    void aStudyFromBeforeThereWerePlansPrintsToo() {
        assertThat(Web.get("/studies/3/print").body()).contains("This study was made without dated work", "Tape tags");
    }
}
