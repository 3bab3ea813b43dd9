package org.evensheen.app.pictures;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.ExifUtils;
import net.coobird.thumbnailator.util.exif.Orientation;

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

    /** A photo is kept with so many bytes at most. */
    public static final int MOST_KEPT = 4_000_000;

    public static final int THUMB = 360;

    /** More pixels than any phone takes; a file may claim any size. */
    static final long MOST_PIXELS = 60_000_000;

    /** WebP is unpacked whole before it is made smaller; more pixels than these don't fit beside everything else. */
    static final long MOST_PIXELS_WHOLE = 16_000_000;

    /** Marks of a JPEG: its start, the part that holds EXIF, and the picture itself, before which all parts stand. */
    private static final short START = (short) 0xffd8;

    private static final int APP1 = 0xffe1;
    private static final int SCAN = 0xffda;

    /** So many pixels of a photo are held at most: a finer one is read at every second or third. */
    static final long HELD = 12_500_000;

    /** One photo is unpacked at a time, so that many at once need no more memory than one. */
    private static final Semaphore TURN = new Semaphore(1, true);

    private static final long LONGEST_TURN = 60;

    /** Words of a reader that met the end of a file before the end of its picture. */
    private static final Pattern CUT_SHORT = Pattern.compile("(?i)premature|truncat|missing EOI");

    private static final Set<String> FORMATS = Set.of("jpeg", "png", "webp");

    /** It can't be taken; the message says why and what to do. */
    public static final class Unfit extends Exception {
        private static final long serialVersionUID = 1;

        Unfit(String message) {
            super(message);
        }

        Unfit(String message, Throwable cause) {
            super(message, cause);
        }
    }

    /** Too many photos are being taken in just now; the same one can be sent again. */
    public static final class Busy extends RuntimeException {
        private static final long serialVersionUID = 1;
    }

    /** A file that was sent; read only when its turn has come. */
    public interface Sent {
        byte[] bytes() throws IOException;
    }

    /**
     * Reads what was sent, when its turn has come.
     *
     * @throws Busy if its turn does not come within a minute
     */
    public static Picture of(Sent sent) throws Unfit, IOException {
        try {
            if (!TURN.tryAcquire(LONGEST_TURN, TimeUnit.SECONDS)) {
                throw new Busy();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Busy();
        }
        try {
            return of(sent.bytes());
        } finally {
            TURN.release();
        }
    }

    /**
     * Reads a photo that was written by this class before, as a bundle carries it: its bytes are kept as they are if they are plain and fit, so
     * that it can go out and in for ever and stays the same.
     */
    public static Picture again(Sent sent) throws Unfit, IOException {
        byte[] bytes = sent.bytes();
        Picture read = of(() -> bytes);
        boolean plain = bytes.length > 3
                && (bytes[0] & 0xff) == 0xff
                && (bytes[1] & 0xff) == 0xd8
                && !new String(bytes, 0, Math.min(bytes.length, 200_000), StandardCharsets.ISO_8859_1)
                        .contains("Exif\0");
        return plain && bytes.length <= MOST_KEPT && fits(bytes, read)
                ? new Picture(bytes, read.small, read.width, read.height)
                : read;
    }

    /** Whether the bytes have the size of what was read of them, so nothing was made smaller. */
    private static boolean fits(byte[] bytes, Picture read) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            ImageReader reader = ImageIO.getImageReaders(in).next();
            reader.setInput(in);
            boolean same = reader.getWidth(0) == read.width && reader.getHeight(0) == read.height;
            reader.dispose();
            return same;
        }
    }

    static Picture of(byte[] sent) throws Unfit {
        if (sent.length == 0) {
            throw new Unfit("No photo was chosen, or it is empty. Choose a JPEG, PNG or WebP file.");
        }
        if (sent.length > MOST_BYTES) {
            throw new Unfit("That photo has more than 20 MB. Send a smaller one.");
        }
        try {
            BufferedImage large = upright(sent);
            return new Picture(
                    jpeg(large, 0.85), jpeg(fitting(large, THUMB), 0.8), large.getWidth(), large.getHeight());
        } catch (IOException | OutOfMemoryError e) {
            throw new Unfit("That photo can't be made smaller. Save it as JPEG and send it again.", e);
        }
    }

    /** The picture, upright and at most {@link #LONGEST} a side. */
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
                return turned(read(reader), sent);
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            throw new Unfit("That photo breaks off or is damaged. Take or save it again.", e);
        }
    }

    private static Unfit notAPicture() {
        return new Unfit("That is not a photo that can be read. Send JPEG, PNG or WebP.");
    }

    private static BufferedImage read(ImageReader reader) throws IOException, Unfit {
        long width = reader.getWidth(0);
        long height = reader.getHeight(0);
        boolean whole = reader.getFormatName().equalsIgnoreCase("webp");
        if (width * height > (whole ? MOST_PIXELS_WHOLE : MOST_PIXELS)) {
            throw new Unfit("That picture has %d × %d pixels, more than can be taken in. Send it %s."
                    .formatted(width, height, whole ? "as JPEG" : "at a tenth of the size"));
        }
        ImageReadParam param = reader.getDefaultReadParam();
        int step = (int) Math.ceil(Math.sqrt((double) width * height / HELD));
        param.setSourceSubsampling(step, step, 0, 0);
        List<String> warnings = new ArrayList<>();
        reader.addIIOReadWarningListener((from, warning) -> warnings.add(warning));
        BufferedImage small = fitting(reader.read(0, param), LONGEST);
        if (warnings.stream().anyMatch(w -> CUT_SHORT.matcher(w).find())) {
            throw new IOException(String.join("; ", warnings));
        }
        return small;
    }

    /** The picture as it was held, if the camera tells. */
    private static BufferedImage turned(BufferedImage small, byte[] sent) throws IOException {
        Orientation held = exif(sent).map(ExifUtils::getOrientationFromExif).orElse(null);
        return held == null
                ? small
                : Thumbnails.of(small)
                        .scale(1)
                        .addFilter(ExifFilterUtils.getFilterForOrientation(held))
                        .asBufferedImage();
    }

    /**
     * The EXIF part of a JPEG, wherever it stands among the parts before the picture: cameras set it first, some programs behind a JFIF part,
     * and some both, which Java's own reader of such parts refuses.
     */
    private static Optional<byte[]> exif(byte[] jpeg) {
        ByteBuffer parts = ByteBuffer.wrap(jpeg);
        if (jpeg.length < 4 || parts.getShort() != START) {
            return Optional.empty();
        }
        while (parts.remaining() >= 4) {
            int mark = parts.getShort() & 0xffff;
            int length = (parts.getShort() & 0xffff) - 2;
            if (mark <= 0xff00 || mark == SCAN || length < 0 || length > parts.remaining()) {
                return Optional.empty();
            }
            byte[] part = new byte[length];
            parts.get(part);
            if (mark == APP1
                    && new String(part, 0, Math.min(length, 6), StandardCharsets.ISO_8859_1).equals("Exif\0\0")) {
                return Optional.of(part);
            }
        }
        return Optional.empty();
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
