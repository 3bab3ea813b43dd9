package org.evensheen.app.studies;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.page.Figures;
import org.evensheen.core.measure.Drawing;
import org.evensheen.core.measure.Measure;
import org.evensheen.core.measure.Measures;
import org.evensheen.core.schedule.NextReading;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.SectionState;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.wear.Curves;
import org.evensheen.core.wear.Showed;
import org.jspecify.annotations.Nullable;

/** The bed drawn to scale, every section with drawings that are its measurements on a day. */
public record PanelDrawing(
        String viewBox,
        String title,
        String outline,
        List<ZoneDrawing> zones,
        List<SectionDrawing> sections,
        String scale) {

    /** A hatched zone. */
    public record ZoneDrawing(
            String kind, String label, String x, String y, String width, String height, String labelY) {}

    /**
     * A taped section, every shape as one path. Measures that were never read by the day are absent; estimated ones are
     * drawn lighter.
     *
     * @param want the open ring of a section that wants readings; absent when it has them
     * @param skin the surface that water rests on
     * @param rail the way of the sled, a little longer than the pull on bare
     * @param bareMark the length that bare has
     */
    public record SectionDrawing(
            String code,
            String address,
            String spoken,
            String states,
            String film,
            String masking,
            String ring,
            String tag,
            String codeX,
            String codeY,
            @Nullable String want,
            String skin,
            String rail,
            String bareMark,
            @Nullable Glyph water,
            @Nullable Glyph runner,
            @Nullable Glyph gleam,
            String rightX,
            String skinY,
            String middle,
            String noneY,
            String gleamY,
            boolean blank,
            @Nullable Dirt dirt) {}

    /** What the day's visit showed on a section: its word beside the tag, and specks where dirt hid it. */
    public record Dirt(String word, String x, String y, String specks) {}

    /**
     * A measurement drawn.
     *
     * @param path the drop, the sheet, the run of the sled, or the gleam as long as the gloss is high
     * @param end the sled where it stands; empty for others
     */
    public record Glyph(String path, String end, String figure, boolean read) {
        /** The class of its drawing. */
        public String certainty() {
            return read ? "read" : "estimated";
        }
    }

    private static final double WIDEST = 796;
    private static final double TALLEST = 560;
    private static final double MARGIN = 14;
    /** A gleam is longest at this gloss, GU at 60°. */
    private static final double MIRROR = 100;

    static PanelDrawing of(Study study, Selection selection) {
        Bed bed = study.bed();
        double unit = Math.min((WIDEST - 2 * MARGIN) / bed.widthMm(), (TALLEST - 2 * MARGIN) / bed.heightMm());
        double width = bed.widthMm() * unit + 2 * MARGIN;
        double height = bed.heightMm() * unit + 2 * MARGIN;
        List<ZoneDrawing> zones = bed.shape().zones().stream()
                .map(z -> new ZoneDrawing(
                        z.kind().code(),
                        z.label(),
                        place(z.xMm(), unit),
                        place(z.yMm(), unit),
                        svg(z.widthMm() * unit),
                        svg(z.heightMm() * unit),
                        svg(MARGIN + (z.yMm() + z.heightMm()) * unit - 6)))
                .toList();
        OptionalDouble bare = bareOn(study.record(), selection.at().day());
        List<SectionDrawing> sections = study.record().sections().stream()
                .map(s -> new Drawer(study, selection, s, unit, bare).draw())
                .toList();
        return new PanelDrawing(
                "0 0 %s %s".formatted(svg(width), svg(height)),
                "%s, %s, %d sections"
                        .formatted(bed.name(), Figures.size(bed.widthMm(), bed.heightMm()), sections.size()),
                outline(bed, unit),
                zones,
                sections,
                Figures.size(bed.widthMm(), bed.heightMm()));
    }

    /** Mean pull of bare on a day, read or estimated: the full length of every rail. */
    private static OptionalDouble bareOn(StudyRecord study, int day) {
        return study.bareSections()
                .flatMap(s -> drawn(Drawing.RUNNER).flatMap(m -> SectionState.on(study, s, m, day).stream()))
                .mapToDouble(SectionState::value)
                .average();
    }

    /** Measures that are drawn in a way. */
    private static Stream<Measure> drawn(Drawing as) {
        return Measures.all().stream().filter(m -> m.drawing() == as);
    }

    /** What a section is like on a day by the measure that is drawn in a way, with that measure. */
    private record State(Measure measure, SectionState is) {
        String figure() {
            return Figures.score(measure, is.value());
        }

        static Optional<State> of(StudyRecord study, Section section, Drawing as, int day) {
            return drawn(as)
                    .flatMap(m ->
                            SectionState.on(study, section, m, day).stream().map(s -> new State(m, s)))
                    .findFirst();
        }
    }

    private static String place(double mm, double unit) {
        return svg(MARGIN + mm * unit);
    }

    private static String outline(Bed bed, double unit) {
        return bed.shape().outline().corners().stream()
                .map(c -> place(c.x(), unit) + "," + place(c.y(), unit))
                .collect(Collectors.joining(" "));
    }

    private static final class Drawer {
        private final Study study;
        private final Selection selection;
        private final Section section;
        private final OptionalDouble bare;
        private final double x;
        private final double y;
        private final double w;
        private final double h;

        Drawer(Study study, Selection selection, Section section, double unit, OptionalDouble bare) {
            this.study = study;
            this.selection = selection;
            this.section = section;
            this.bare = bare;
            x = MARGIN + section.xMm() * unit;
            y = MARGIN + section.yMm() * unit;
            w = section.widthMm() * unit;
            h = section.heightMm() * unit;
        }

        SectionDrawing draw() {
            double tape = Math.min(5, h / 8);
            double pad = Math.min(14, w / 10);
            double skin = y + h * 0.66;
            double rail = y + h * 0.87;
            double start = x + pad;
            double length = (w - 2 * pad) / 1.1;
            Optional<Glyph> water = water(skin, start);
            Optional<Glyph> runner = bare.isPresent() ? runner(rail, start, length) : Optional.empty();
            Optional<Glyph> gleam = gleam();
            boolean railed = runner.isPresent()
                    || drawn(Drawing.RUNNER).anyMatch(study.record().plan()::asksFor);
            double tag = Math.min(30, w * 0.4);
            double tagX = x + 6;
            double tagY = y - tape - 5;
            return new SectionDrawing(
                    section.code(),
                    selection.address(study, section.code(), selection.measure()),
                    spoken(water, runner, gleam),
                    states(),
                    box(x, y, w, h),
                    box(x - tape, y - tape, tape, h + 2 * tape)
                            + box(x + w, y - tape, tape, h + 2 * tape)
                            + box(x, y - tape, w, tape)
                            + box(x, y + h, w, tape),
                    box(x - tape, y - tape, w + 2 * tape, h + 2 * tape),
                    "M" + svg(tagX) + "," + svg(tagY) + "h" + svg(tag) + "l3,4 -2,4 3,4 -3,4 2,4h-" + svg(tag + 3)
                            + "Z",
                    svg(tagX + tag / 2),
                    svg(tagY + 16),
                    wanting() ? "M" + svg(x + w - 11) + "," + svg(y + 10) + "a5,5 0 1 1 10,0a5,5 0 1 1 -10,0Z" : null,
                    line(start, x + w * 0.6, skin),
                    railed ? line(start, start + length * 1.1, rail) : "",
                    railed ? "M" + svg(start + length) + "," + svg(rail - 6) + "v11" : "",
                    water.orElse(null),
                    runner.orElse(null),
                    gleam.orElse(null),
                    svg(x + w - 6),
                    svg(skin),
                    svg(x + w / 2),
                    svg(y + h * 0.45),
                    svg(y + h * 0.28),
                    water.isEmpty() && runner.isEmpty() && gleam.isEmpty(),
                    showed().map(s -> new Dirt(
                                    word(s),
                                    svg(tagX + tag + 8),
                                    svg(y + 11),
                                    s.state() == Showed.State.WORN ? "" : specks()))
                            .orElse(null));
        }

        /** What the day's visit showed here, by the first measure that tells; empty where it is as fresh. */
        private Optional<Showed> showed() {
            return study.record().plan().measures().stream()
                    .map(p -> p.measure())
                    .filter(Curves::keeps)
                    .sorted(Comparator.comparing((Measure m) -> !m.equals(selection.measure()))
                            .thenComparing(m -> !m.looksAtWater()))
                    .flatMap(m -> Showed.on(study.record(), m, selection.at().day()).stream()
                            .filter(s -> s.section().equals(section.code())))
                    .findFirst()
                    .filter(s -> s.state() != Showed.State.AS_FRESH);
        }

        private static String word(Showed s) {
            return switch (s.state()) {
                case AS_FRESH -> "";
                case MASKED -> "masked";
                case WORN -> "worn";
                case BOTH -> "masked, worn";
            };
        }

        private String specks() {
            StringBuilder path = new StringBuilder();
            for (int i = 0; i < 7; i++) {
                path.append(box(x + w * (0.12 + 0.11 * (i * 3 % 7)), y + h * (0.3 + 0.07 * (i * 5 % 7)), 2.2, 2.2));
            }
            return path.toString();
        }

        private static String box(double x, double y, double width, double height) {
            return "M" + svg(x) + "," + svg(y) + "h" + svg(width) + "v" + svg(height) + "h" + svg(-width) + "Z";
        }

        private static String line(double from, double to, double y) {
            return "M" + svg(from) + "," + svg(y) + "H" + svg(to);
        }

        private boolean wanting() {
            return selection.at().day() <= selection.today()
                    && !NextReading.on(study.record(), selection.at(), section, selection.measure())
                            .extra();
        }

        private Optional<State> state(Drawing as) {
            return State.of(study.record(), section, as, selection.at().day());
        }

        private static Glyph glyph(String path, String end, State state) {
            return new Glyph(path, end, state.figure(), state.is().read());
        }

        private Optional<Glyph> water(double skin, double start) {
            boolean sheets = study.record().contenderOn(section).sheets();
            Optional<State> left = state(Drawing.SHEET);
            Optional<State> drop = state(Drawing.DROP);
            double size = Math.min(h * 0.17, w * 0.09);
            return drop.filter(d -> !sheets || left.isEmpty())
                    .map(d -> glyph(Glyphs.drop(start + w * 0.26, skin, size, d.is().value()), "", d))
                    .or(() -> left.map(l -> glyph(
                            Glyphs.sheet(start, skin, w * 0.46, Math.min(h * 0.3, 2 + l.is().value() * h / 400)),
                            "",
                            l)))
                    .or(() -> curve(skin, start));
        }

        /** Foam as it was seen last, standing on the skin: minutes to the right, what is left of it upwards. */
        private Optional<Glyph> curve(double skin, double start) {
            return drawn(Drawing.CURVE)
                    .flatMap(m -> study.record().occasionsRead(section, m).stream()
                            .filter(o -> o.day() <= selection.at().day())
                            .max(Comparator.naturalOrder())
                            .map(o -> study.record().readings(section, o, m))
                            .stream())
                    .flatMap(readings -> readings.stream().limit(1))
                    .map(r -> new Glyph(
                            Glyphs.curve(
                                    start, skin, w * 0.46, h * 0.5, r.seen().series()),
                            "",
                            r.measure().score(r.seen(), section.areaSquareMetres()).stream()
                                    .mapToObj(half -> Figures.score(r.measure(), half))
                                    .findFirst()
                                    .orElse(""),
                            r.day() == selection.at().day()))
                    .findFirst();
        }

        private Optional<Glyph> runner(double rail, double start, double length) {
            return state(Drawing.RUNNER).map(s -> {
                double at = start + length * Math.min(1.1, s.is().value() / bare.getAsDouble());
                return glyph(line(start, at, rail), box(at - 5, rail - 9, 10, 9), s);
            });
        }

        /** Light along the upper edge, leaning, as long as the section shines. */
        private Optional<Glyph> gleam() {
            return state(Drawing.GLEAM).map(s -> {
                double thick = h * 0.1;
                double across = (w * 0.4) * Math.min(1, s.is().value() / MIRROR);
                return glyph(
                        "M" + svg(x + w * 0.14 + thick) + "," + svg(y + h * 0.17) + "h" + svg(across) + "l"
                                + svg(-thick) + "," + svg(thick) + "h" + svg(-across) + "Z",
                        "",
                        s);
            });
        }

        private String states() {
            List<String> states = new ArrayList<>();
            if (section.equals(selection.section())) {
                states.add("chosen");
            }
            if (study.record().contenderOn(section).isControl()) {
                states.add("bare");
            }
            return String.join(" ", states);
        }

        private String spoken(Optional<Glyph> water, Optional<Glyph> runner, Optional<Glyph> gleam) {
            Contender on = study.record().contenderOn(section);
            String what = on.isControl() ? ", " + on.name().toLowerCase(Locale.ROOT) : "";
            String said = Stream.of(
                                    water.map(g -> "water " + g.figure() + (g.read() ? "" : " estimated")),
                                    runner.map(g -> "pull " + g.figure() + (g.read() ? "" : " estimated")),
                                    gleam.map(g -> "gloss " + g.figure() + (g.read() ? "" : " estimated")))
                            .flatMap(Optional::stream)
                            .collect(Collectors.joining(", "))
                    + showed().map(s -> ", " + word(s)).orElse("");
            return "Section " + section.called() + what + ": " + (said.isEmpty() ? "not read yet" : said);
        }
    }
}
