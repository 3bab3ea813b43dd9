package org.evensheen.standins;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.imageio.ImageIO;

/**
 * A camera over a wetted section: many tight, round beads where the contact angle is high, few flat and ragged pools where it is low;
 * the panel's colour and a window's gleam behind them. Seeded; given as the JPEG a camera would give.
 */
public final class SimulatedCamera {
    private static final int WIDTH = 960;
    private static final int HEIGHT = 720;

    private SimulatedCamera() {}

    /**
     * A photo.
     *
     * @param angle contact angle, degrees, 5 to 125
     * @param rgb the panel's colour
     */
    public static byte[] jpeg(double angle, int rgb, long seed) {
        Random random = new Random(seed);
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        Color panel = new Color(rgb);
        pen.setPaint(new GradientPaint(0, 0, panel.brighter(), WIDTH, HEIGHT, panel.darker()));
        pen.fillRect(0, 0, WIDTH, HEIGHT);
        pen.setPaint(new GradientPaint(200, 0, new Color(255, 255, 255, 90), 500, 300, new Color(255, 255, 255, 0)));
        pen.fillRect(120, 0, 460, 420);
        double tight = Math.max(0, Math.min(1, (angle - 25) / 85));
        int drops = (int) (60 + 420 * tight);
        for (int i = 0; i < drops; i++) {
            double size = (10 + 26 * random.nextDouble()) * (2.6 - 1.7 * tight);
            double ragged = 1 + (1 - tight) * (0.8 * random.nextDouble());
            drop(pen, random.nextInt(WIDTH), random.nextInt(HEIGHT), size * ragged, size / ragged, tight);
        }
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void drop(Graphics2D pen, double x, double y, double width, double height, double tight) {
        Ellipse2D shape = new Ellipse2D.Double(x - width / 2, y - height / 2, width, height);
        pen.setPaint(new GradientPaint(
                (float) x,
                (float) (y - height / 2),
                new Color(20, 30, 36, (int) (40 + 90 * tight)),
                (float) x,
                (float) (y + height / 2),
                new Color(235, 245, 248, (int) (40 + 120 * tight))));
        pen.fill(shape);
        pen.setColor(new Color(255, 255, 255, (int) (60 + 120 * tight)));
        pen.setStroke(new BasicStroke(1.2f));
        pen.draw(shape);
        double glint = Math.max(2, width * 0.18 * (0.4 + tight));
        pen.fill(new Ellipse2D.Double(x - width * 0.22, y - height * 0.28, glint, glint));
    }
}
