package org.evensheen.app.photos;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.evensheen.app.live.Web;
import org.evensheen.app.pictures.Picture;
import org.evensheen.app.studies.Study;
import org.evensheen.core.study.Occasion;
import org.evensheen.core.study.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(LiveApp.class)
class PhotosTest {

    static byte[] jpeg(Color colour) throws Exception {
        BufferedImage image = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        var pen = image.createGraphics();
        pen.setColor(colour);
        pen.fillRect(0, 0, 400, 300);
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", out);
        return out.toByteArray();
    }

    @Test
    void linesUpPhotosOfASectionAndLaysTwoDaysSideBySide() throws Exception {
        Study study = SampleStudy.make();
        String code = study.record().sections().get(0).code();
        PhotoStore store = LiveApp.bean(PhotoStore.class);
        byte[] green = jpeg(Color.GREEN);
        for (int day : new int[] {1, 8, 8}) {
            store.keep(new PhotoStore.Draft(
                    study.id(),
                    Optional.of(code),
                    new Occasion(day, day == 1 ? Stage.FRESH : Stage.REWETTED),
                    "",
                    Picture.of(() -> green),
                    Instant.now(),
                    UUID.nameUUIDFromBytes((study.id() + "photo" + day).getBytes()),
                    "Ana"));
        }
        String page =
                Web.get("/studies/" + study.id() + "/photos?section=" + code).body();

        assertThat(page)
                .contains("day 1, fresh", "day 8, wetted again", "data-wipe")
                .doesNotContain("No photo");
        assertThat(store.of(study.id())).as("kept once by its key").hasSize(2);
        long photo = store.of(study.id()).get(0).id();
        assertThat(ImageIO.read(new ByteArrayInputStream(
                                store.picture(photo, true).orElseThrow()))
                        .getWidth())
                .isEqualTo(Picture.THUMB);
        assertThat(Web.get("/photos/" + photo + "/small.jpg").headers().firstValue("Content-Type"))
                .contains("image/jpeg");
        store.takeBack(study.id(), photo, "Ana");
        assertThat(Web.get("/photos/" + photo + "/small.jpg").statusCode()).isEqualTo(404);
    }

    @Test
    void saysWhatAPhotoMustBe() {
        Study study = SampleStudy.make();
        assertThat(Web.get("/studies/" + study.id() + "/photos").body()).contains("No photo of the whole bed yet");
        var answer = Web.upload(
                "/studies/" + study.id() + "/photos?day=8&stage=rewetted&key=" + UUID.randomUUID(),
                "photo",
                "no photo".getBytes());
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("not a photo that can be read");
    }
}
