package org.evensheen.app.answers;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.FontMetrics;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.evensheen.app.page.Figures;
import org.springframework.core.io.ClassPathResource;

/** A report as a card of 1200 × 630 to share: the question, the answer, and the first places with their intervals. */
final class Card {
    static final int WIDTH = 1200;
    static final int HEIGHT = 630;
    private static final int MARGIN = 60;
    private static final int MOST = 5;
    private static final double LOW = -10;
    /** Lines of an afternoon or a table below its sentence. */
    private static final int MOST_LINES = 3;

    private static final Color PRIMER = new Color(0xdee3df);
    private static final Color PAPER = new Color(0xfcfaf4);
    private static final Color INK = new Color(0x16232c);
    private static final Color SOFT = new Color(0x4a5a64);
    private static final Color MASKING = new Color(0xe9b445);
    private static final Color MARK = new Color(0xf6d27a);
    private static final Color WATER = new Color(0x1d6f86);
    private static final Color FILL = new Color(0x8fc3cd);
    private static final Font DISPLAY = font("display");
    private static final Font TEXT = font("text");

    private Card() {}

    private static Font font(String name) {
        try (InputStream in = new ClassPathResource("static/assets/fonts/%s.ttf".formatted(name)).getInputStream()) {
            return Font.createFont(Font.TRUETYPE_FONT, in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (FontFormatException e) {
            throw new IllegalStateException("the fonts are built with the program", e);
        }
    }

    /** As PNG. */
    static byte[] png(Report report) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        pen.setColor(PRIMER);
        pen.fillRect(0, 0, WIDTH, HEIGHT);
        int y = lines(pen, report.question(), TEXT.deriveFont(28f), SOFT, MARGIN + 20, 1, false);
        if (!report.ofAStudy()) {
            y = lines(pen, report.answer(), DISPLAY.deriveFont(60f), INK, y + 96, 4, true);
            y += 24;
            for (String line : report.scales().stream()
                    .limit(report.sideBySide() ? MOST_LINES : MOST)
                    .toList()) {
                y = y > HEIGHT - 130
                        ? y
                        : lines(pen, brief(report, line), TEXT.deriveFont(26f), SOFT, y + 44, 1, false);
            }
        } else {
            y = lines(pen, report.answer(), DISPLAY.deriveFont(54f), INK, y + 56, 2, true);
            places(pen, report, y + 34);
        }
        pen.setFont(TEXT.deriveFont(24f));
        pen.setColor(SOFT);
        pen.drawString(
                fitting(
                        pen.getFontMetrics(),
                        (report.sideBySide()
                                        ? "%s. How far to trust it: %s. Even Sheen"
                                        : report.ofAStudy()
                                                ? "%s. Footing: %s. 0 is the bare section, 100 the reference product. Even Sheen"
                                                : "%s. Even Sheen")
                                .formatted(report.when(), report.trust().footing())),
                MARGIN,
                HEIGHT - 34);
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** A line of a table up to its interval. */
    private static String brief(Report report, String line) {
        int interval = line.indexOf(')') + 1;
        return report.sideBySide() || interval == 0 || report.places().isEmpty() ? line : line.substring(0, interval);
    }

    /** Writes words in so many lines at most; gives the last base line. */
    private static int lines(Graphics2D pen, String words, Font font, Color color, int y, int most, boolean marked) {
        pen.setFont(font);
        FontMetrics metrics = pen.getFontMetrics();
        List<String> lines = new ArrayList<>(List.of(""));
        // The font has no narrow space.
        for (String word : words.replace('\u202f', ' ').split(" ")) {
            String last = lines.get(lines.size() - 1);
            String longer = last.isEmpty() ? word : last + " " + word;
            if (metrics.stringWidth(longer) > WIDTH - 2 * MARGIN && lines.size() < most) {
                lines.add(word);
            } else {
                lines.set(lines.size() - 1, longer);
            }
        }
        int at = y;
        for (String line : lines) {
            String fitting = fitting(metrics, line);
            if (marked) {
                pen.setColor(MARK);
                pen.fillRect(
                        MARGIN, at - metrics.getAscent() / 4, metrics.stringWidth(fitting), metrics.getAscent() / 3);
            }
            pen.setColor(color);
            pen.drawString(fitting, MARGIN, at);
            at += metrics.getHeight();
        }
        return at - metrics.getHeight();
    }

    private static String fitting(FontMetrics metrics, String line) {
        if (metrics.stringWidth(line) <= WIDTH - 2 * MARGIN) {
            return line;
        }
        int end = line.length();
        while (end > 0 && metrics.stringWidth(line.substring(0, end) + "…") > WIDTH - 2 * MARGIN) {
            end--;
        }
        return line.substring(0, end) + "…";
    }

    private static void places(Graphics2D pen, Report report, int top) {
        List<Report.Place> places =
                report.places().subList(0, Math.min(MOST, report.places().size()));
        if (places.isEmpty()) {
            return;
        }
        int height = HEIGHT - 90 - top;
        double row = Math.min(62, (height - 24) / (double) places.size());
        pen.setColor(PAPER);
        pen.fillRect(MARGIN - 20, top, WIDTH - 2 * MARGIN + 40, (int) (row * places.size()) + 24);
        double high = Math.max(
                115, places.stream().mapToDouble(Report.Place::high).max().orElse(0) + 6);
        double from = 560;
        double width = WIDTH - MARGIN - from - 90;
        for (int i = 0; i < places.size(); i++) {
            Report.Place p = places.get(i);
            double middle = top + 12 + row * (i + 0.5);
            pen.setColor(MASKING);
            pen.fill(new Rectangle2D.Double(MARGIN, middle - row / 2 + 3, 44, row - 6));
            pen.setColor(INK);
            pen.setFont(DISPLAY.deriveFont(28f));
            pen.drawString(String.valueOf(p.place()), MARGIN + 14, (float) middle + 10);
            pen.setFont(DISPLAY.deriveFont(26f));
            FontMetrics metrics = pen.getFontMetrics();
            String name = p.product();
            while (metrics.stringWidth(name) > from - MARGIN - 80 && name.length() > 4) {
                name = name.substring(0, name.length() - 2) + "…";
            }
            pen.drawString(name, MARGIN + 60, (float) middle + 9);
            double scale = width / (high - LOW);
            pen.setColor(FILL);
            pen.fill(new Rectangle2D.Double(
                    from + scale * (Math.max(LOW, p.low()) - LOW),
                    middle - 11,
                    Math.max(4, scale * (p.high() - Math.max(LOW, p.low()))),
                    22));
            pen.setColor(WATER);
            pen.setStroke(new BasicStroke(5));
            double at = from + scale * (Math.max(LOW, p.total()) - LOW);
            pen.draw(new Line2D.Double(at, middle - 16, at, middle + 16));
            pen.drawString(Figures.number(p.total(), 0), (float) (WIDTH - MARGIN - 70), (float) middle + 9);
        }
    }
}
