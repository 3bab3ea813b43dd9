package org.evensheen.app.prints;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.evensheen.app.labels.Cautions;
import org.evensheen.app.page.Figures;
import org.evensheen.app.studies.Study;
import org.evensheen.core.planning.Calendar.Work;
import org.evensheen.core.planning.Entrant;
import org.evensheen.core.planning.Kit;
import org.evensheen.core.study.Section;

/**
 * What is printed for a study: nothing of it says what a code stands for.
 */
record PrintPage(
        long study,
        String question,
        String bed,
        String days,
        List<Tag> tags,
        List<String> kit,
        List<String> wear,
        List<Line> run,
        String reminder) {
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("EEE d MMM yyyy", Locale.ENGLISH);
    private static final int QUIET_MODULES = 4;

    /** A tape tag: its code, and a QR code that opens the section's Slate. */
    record Tag(String code, String block, String qr, String viewBox, String address) {}

    /** A line of a list with what stands behind it. */
    record Line(String what, String detail) {}

    static PrintPage of(Study study, List<Entrant> entrants, String address) {
        List<Section> sections = study.record().sections();
        Kit kit = Kit.of(entrants, sections);
        return new PrintPage(
                study.id(),
                study.question(),
                study.bed().name(),
                "%s to %s"
                        .formatted(
                                study.firstDay().format(DATE),
                                study.dateOf(study.record().plan().lastDay()).format(DATE)),
                sections.stream()
                        .sorted(java.util.Comparator.comparing(s -> s.code()))
                        .map(s -> tag(study, s, address))
                        .toList(),
                kit(kit),
                kit.wear(),
                study.works().stream().map(w -> line(study, w)).toList(),
                Cautions.REMINDER);
    }

    private static Tag tag(Study study, Section section, String address) {
        String to = "%s/studies/%d?section=%s".formatted(address, study.id(), section.code());
        BitMatrix matrix = matrix(to);
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < matrix.getHeight(); y++) {
            for (int x = 0; x < matrix.getWidth(); x++) {
                if (matrix.get(x, y)) {
                    int from = x;
                    while (x + 1 < matrix.getWidth() && matrix.get(x + 1, y)) {
                        x++;
                    }
                    path.append("M%d,%dh%dv1h-%dz".formatted(from, y, x - from + 1, x - from + 1));
                }
            }
        }
        return new Tag(
                section.code(),
                "block " + section.row(),
                path.toString(),
                "0 0 %d %d".formatted(matrix.getWidth(), matrix.getHeight()),
                to);
    }

    /** With the blank border that readers count on, and with room for a drop or a scratch on the tape. */
    private static BitMatrix matrix(String text) {
        Map<EncodeHintType, Object> asked =
                Map.of(EncodeHintType.MARGIN, QUIET_MODULES, EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M);
        try {
            return new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0, asked);
        } catch (WriterException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<String> kit(Kit kit) {
        List<String> lines = new ArrayList<>();
        lines.add("Masking tape, %s m, and a marker".formatted(Figures.compact(kit.tapeMetres(), 2)));
        lines.add("%d buffing and drying towels; a fresh face for each section".formatted(kit.towels()));
        lines.add("Two buckets with grids, one for washing and one for rinsing; a mitt for body work only");
        lines.add("Weighted sled and force gauge with its check weight; scale; ruler or gauge for drops");
        lines.add("Thermometer and hygrometer; clock; this sheet");
        return lines;
    }

    private static Line line(Study study, Work work) {
        return new Line("%s: %s".formatted(study.dateOf(work.day()).format(DATE), work.title()), work.why());
    }

    /** Sections in the order of reading. */
    public String order() {
        return tags.stream().map(Tag::code).collect(Collectors.joining(" "));
    }
}
