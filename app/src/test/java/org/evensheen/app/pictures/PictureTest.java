package org.evensheen.app.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.management.ThreadMXBean;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.evensheen.app.pictures.Picture.Unfit;
import org.junit.jupiter.api.Test;

class PictureTest {

    /** Left half red, right half blue. */
    private static byte[] picture(String format, int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var pen = image.createGraphics();
        pen.setColor(Color.RED);
        pen.fillRect(0, 0, width / 2, height);
        pen.setColor(Color.BLUE);
        pen.fillRect(width / 2, 0, width - width / 2, height);
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return out.toByteArray();
    }

    /** The same JPEG as a phone would send it: turned by a quarter, and with words about the place. */
    private static byte[] fromAPhone(byte[] jpeg) {
        return fromAPhone(jpeg, 20); // the start mark and the JFIF header, which stands first
    }

    /** With EXIF that says it was held upright, behind the first bytes. */
    private static byte[] fromAPhone(byte[] jpeg, int head) {
        byte[] place = "GPS 53.1234 N 8.4321 E at the boat shed".getBytes(StandardCharsets.US_ASCII);
        ByteBuffer exif = ByteBuffer.allocate(6 + 8 + 2 + 12 + 12 + 4 + place.length);
        exif.put("Exif\0\0".getBytes(StandardCharsets.US_ASCII))
                .put("MM\0*".getBytes(StandardCharsets.US_ASCII))
                .putInt(8);
        exif.putShort((short) 2);
        exif.putShort((short) 0x010e).putShort((short) 2).putInt(place.length).putInt(8 + 2 + 24 + 4);
        exif.putShort((short) 0x0112)
                .putShort((short) 3)
                .putInt(1)
                .putShort((short) 6)
                .putShort((short) 0);
        exif.putInt(0).put(place);
        ByteBuffer out = ByteBuffer.allocate(jpeg.length + exif.capacity() + 4);
        out.put(jpeg, 0, head)
                .putShort((short) 0xffe1)
                .putShort((short) (exif.capacity() + 2))
                .put(exif.array())
                .put(jpeg, head, jpeg.length - head);
        return out.array();
    }

    /** A PNG that claims a size and holds nothing. */
    private static byte[] claiming(int width, int height) {
        ByteBuffer header = ByteBuffer.allocate(17).put("IHDR".getBytes(StandardCharsets.US_ASCII));
        header.putInt(width).putInt(height).put(new byte[] {8, 2, 0, 0, 0});
        CRC32 check = new CRC32();
        check.update(header.array());
        return ByteBuffer.allocate(8 + 4 + 17 + 4)
                .put(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'})
                .putInt(13)
                .put(header.array())
                .putInt((int) check.getValue())
                .array();
    }

    @Test
    void aPhotoIsTurnedUprightMadeSmallerAndTellsNothingOfThePlace() throws Exception {
        byte[] sent = fromAPhone(picture("jpg", 3000, 2000));
        assertThat(new String(sent, StandardCharsets.ISO_8859_1)).contains("boat shed");
        Picture kept = Picture.of(sent);
        assertThat(kept.height()).isEqualTo(Picture.LONGEST);
        assertThat(kept.width()).as("turned").isLessThan(kept.height());
        assertThat(new String(kept.large(), StandardCharsets.ISO_8859_1)).doesNotContain("Exif", "GPS", "boat shed");
        BufferedImage read = ImageIO.read(new ByteArrayInputStream(kept.large()));
        assertThat(new Color(read.getRGB(600, 100)).getRed())
                .as("left is now the top")
                .isGreaterThan(200);
        assertThat(new Color(read.getRGB(600, 1700)).getBlue()).isGreaterThan(200);
        BufferedImage small = ImageIO.read(new ByteArrayInputStream(kept.small()));
        assertThat(Math.max(small.getWidth(), small.getHeight())).isEqualTo(Picture.THUMB);
    }

    @Test
    void aPhotoOf48MegapixelsTurnedByAQuarterIsHeldAtAFractionOfThem() throws Exception {
        byte[] sent = fromAPhone(picture("jpg", 8000, 6000));
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        Picture kept = Picture.of(() -> sent);
        long taken = threads.getCurrentThreadAllocatedBytes() - before;
        assertThat(kept.height()).as("upright").isEqualTo(Picture.LONGEST);
        assertThat(kept.width()).isEqualTo(1350);
        assertThat(taken >> 20)
                .as("MB in all; the whole and its turn would be 288, before it is made any smaller")
                .isLessThan(230);
    }

    @Test
    void whereverExifStandsThePictureIsTurned() throws Exception {
        byte[] jpeg = picture("jpg", 900, 600);
        for (int head : List.of(2, 20)) {
            assertThat(Picture.of(fromAPhone(jpeg, head)).height())
                    .as("EXIF at %d", head)
                    .isEqualTo(900);
        }
    }

    @Test
    void halfAPhotoIsNoPhotoInWhateverFormat() throws Exception {
        for (byte[] whole :
                List.of(picture("jpg", 1600, 1200), fromAPhone(picture("jpg", 900, 700)), picture("png", 800, 600))) {
            refused(java.util.Arrays.copyOf(whole, whole.length / 2), "breaks off or is damaged");
        }
        byte[] trailing = java.util.Arrays.copyOf(picture("jpg", 400, 300), 12_000);
        assertThat(Picture.of(trailing).width())
                .as("rubbish after its end harms nothing")
                .isEqualTo(400);
    }

    @Test
    void pngAndWebpAreTakenAndNothingIsMadeLarger() throws Exception {
        assertThat(Picture.of(picture("png", 640, 480)).width()).isEqualTo(640);
        byte[] webp = Base64.getDecoder().decode("UklGRhoAAABXRUJQVlA4TA0AAAAvAAAAEAcQERGIiP4HAA==");
        assertThat(Picture.of(webp).width()).isEqualTo(1);
    }

    @Test
    void whatIsNoPhotoIsRefusedWithTheRemedy() throws Exception {
        refused(new byte[0], "Choose a JPEG");
        refused("name,kind,label".getBytes(StandardCharsets.UTF_8), "Send JPEG, PNG or WebP");
        refused(picture("gif", 10, 10), "Send JPEG, PNG or WebP");
        refused(claiming(30_000, 30_000), "30000 × 30000 pixels");
        refused(claiming(300, 300), "breaks off or is damaged");
        refused(java.util.Arrays.copyOf(picture("png", 900, 900), 700), "breaks off or is damaged");
        refused(new byte[(int) Picture.MOST_BYTES + 1], "more than 20 MB");
    }

    private static void refused(byte[] sent, String saying) {
        assertThatThrownBy(() -> Picture.of(sent)).isInstanceOf(Unfit.class).hasMessageContaining(saying);
    }
}
