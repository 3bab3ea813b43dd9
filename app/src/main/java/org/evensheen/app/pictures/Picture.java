package org.evensheen.app.pictures;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.util.exif.ExifUtils;

/**
 * A photo, turned upright, made smaller and written afresh as JPEG, so that nothing of the camera or the place is
 * left in it.
 *
 * @param large at most {@link #LONGEST} pixels a side
 * @param small at most {@link #THUMB} pixels a side
 * @param width of the large one, pixels
 */
public record Picture(byte[] large, byte[] small, int width, int height) {
    public static final long MOST_BYTES = 20L * 1024 * 1024;
    public static final int LONGEST = 1800;
    public static final int THUMB = 360;

    /** More pixels than any phone takes; a file may claim any size, and reading it would fill the memory. */
    static final long MOST_PIXELS = 60_000_000;

    private static final Set<String> FORMATS = Set.of("jpeg", "png", "webp");

    /** It can't be taken; the message says why and what to do. */
    public static final class Unfit extends Exception {
        private static final long serialVersionUID = 1;

        Unfit(String message) {
            super(message);
        }

        Unfit(String message, Exception cause) {
            super(message, cause);
        }
    }

    /** Reads what was sent. */
    public static Picture of(byte[] sent) throws Unfit {
        if (sent.length == 0) {
            throw new Unfit("No photo was chosen, or it is empty. Choose a JPEG, PNG or WebP file.");
        }
        if (sent.length > MOST_BYTES) {
            throw new Unfit("That photo has more than 20 MB. Send a smaller one.");
        }
        BufferedImage upright = upright(sent);
        try {
            BufferedImage large = fitting(upright, LONGEST);
            return new Picture(
                    jpeg(large, 0.85), jpeg(fitting(large, THUMB), 0.8), large.getWidth(), large.getHeight());
        } catch (IOException e) {
            throw new Unfit("That photo can't be made smaller. Save it as JPEG and send it again.", e);
        }
    }

    private static BufferedImage upright(byte[] sent) throws Unfit {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(sent))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw notAPicture();
            }
            ImageReader reader = readers.next();
            try {
                if (!FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
                    throw notAPicture();
                }
                reader.setInput(in);
                return read(reader);
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            throw new Unfit("That photo breaks off or is damaged. Take or save it again.", e);
        }
    }

    private static Unfit notAPicture() {
        return new Unfit("That is not a photo that can be read. Send JPEG, PNG or WebP.");
    }

    private static BufferedImage read(ImageReader reader) throws IOException, Unfit {
        long width = reader.getWidth(0);
        long height = reader.getHeight(0);
        if (width * height > MOST_PIXELS) {
            throw new Unfit(
                    "That picture has %d × %d pixels, more than can be taken in. Send it at a tenth of the size."
                            .formatted(width, height));
        }
        ImageReadParam param = reader.getDefaultReadParam();
        int step = (int) Math.max(1, Math.min(width, height) / (2L * LONGEST));
        param.setSourceSubsampling(step, step, 0, 0);
        BufferedImage read = reader.read(0, param);
        boolean jpeg = reader.getFormatName().equalsIgnoreCase("jpeg");
        var turned = jpeg ? ExifUtils.getExifOrientation(reader, 0) : null;
        return turned == null
                ? read
                : Thumbnails.of(read)
                        .scale(1)
                        .addFilter(net.coobird.thumbnailator.util.exif.ExifFilterUtils.getFilterForOrientation(turned))
                        .asBufferedImage();
    }

    /** At most so long a side, never larger than it was, on white. */
    private static BufferedImage fitting(BufferedImage image, int longest) throws IOException {
        double scale = Math.min(1, (double) longest / Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage smaller = Thumbnails.of(image).forceSize(width, height).asBufferedImage();
        BufferedImage white = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var pen = white.createGraphics();
        pen.drawImage(smaller, 0, 0, java.awt.Color.WHITE, null);
        pen.dispose();
        return white;
    }

    private static byte[] jpeg(BufferedImage image, double quality) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Thumbnails.of(image).scale(1).outputFormat("jpg").outputQuality(quality).toOutputStream(out);
        return out.toByteArray();
    }
}
