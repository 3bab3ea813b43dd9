package org.evensheen.app.studies;

import static org.evensheen.app.page.Figures.svg;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.page.Figures;
import org.evensheen.core.schedule.NextReading;
import org.evensheen.core.study.Measure;
import org.evensheen.core.study.Section;
import org.evensheen.core.study.SectionState;
import org.evensheen.core.study.StudyRecord;
import org.evensheen.core.water.WaterKind;
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
     * A taped section. Measures that were never read by the day are empty; estimated ones are drawn lighter.
     *
     * @param water path of the drop or the sheet
     * @param runner where the sled stands: its pull as a length along the rail
     */
    public record SectionDrawing(
            String code,
            String address,
            String spoken,
            String states,
            Box box,
            String tag,
            String codeX,
            String codeY,
            String skinX,
            String skinEnd,
            String skinY,
            @Nullable Glyph water,
            @Nullable Glyph runner,
            String railY,
            String railStart,
            String railEnd,
            String bareMark,
            String rightX,
            String wantY,
            String middle,
            String noneY,
            String ringWidth,
            boolean wanting,
            boolean blank) {}

    /** A rectangle, with its tape outside it. */
    public record Box(
            String x,
            String y,
            String width,
            String height,
            String tapeX,
            String tapeY,
            String tapeRight,
            String tapeBottom,
            String tapeWidth,
            String tapeHeight) {}

    /** A measurement drawn: its path or position, its figure, and whether it was read that day. */
    public record Glyph(String path, String at, String figure, boolean read) {}

    private static final double WIDEST = 796;
    private static final double TALLEST = 560;
    private static final double MARGIN = 14;

    static PanelDrawing of(Study study, Selection selection) {
        Bed bed = study.bed();
        double unit = Math.min((WIDEST - 2 * MARGIN) / bed.widthMm(), (TALLEST - 2 * MARGIN) / bed.heightMm());
        double width = bed.widthMm() * unit + 2 * MARGIN;
        double height = bed.heightMm() * unit + 2 * MARGIN;
        List<ZoneDrawing> zones = bed.zones().stream()
                .map(z -> new ZoneDrawing(
                        z.kind(),
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
                "%s, %s by %s mm, %d sections"
                        .formatted(bed.name(), svg(bed.widthMm()), svg(bed.heightMm()), sections.size()),
                outline(bed, unit),
                zones,
                sections,
                "%s × %s mm".formatted(svg(bed.widthMm()), svg(bed.heightMm())));
    }

    /** Mean pull of bare on a day, read or estimated: the full length of every rail. */
    private static OptionalDouble bareOn(StudyRecord study, int day) {
        return study.bareSections()
                .flatMap(s -> SectionState.on(study, s, Measure.PULL, day).stream())
                .mapToDouble(SectionState::value)
                .average();
    }

    private static String place(double mm, double unit) {
        return svg(MARGIN + mm * unit);
    }

    private static String outline(Bed bed, double unit) {
        String corners = bed.outline()
                .orElse("0,0 %s,0 %s,%s 0,%s"
                        .formatted(svg(bed.widthMm()), svg(bed.widthMm()), svg(bed.heightMm()), svg(bed.heightMm())));
        return Stream.of(corners.split(" "))
                .map(corner -> corner.split(","))
                .map(xy -> place(Double.parseDouble(xy[0]), unit) + "," + place(Double.parseDouble(xy[1]), unit))
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
            double railStart = x + pad;
            double railLength = (w - 2 * pad) / 1.1;
            Optional<Glyph> water = water(skin, railStart);
            Optional<Glyph> runner = bare.isPresent() ? runner(railStart, railLength) : Optional.empty();
            double tag = Math.min(30, w * 0.4);
            double tagX = x + 6;
            double tagY = y - tape - 5;
            return new SectionDrawing(
                    section.code(),
                    selection.address(study, section.code(), selection.measure()),
                    spoken(water, runner),
                    states(),
                    new Box(
                            svg(x),
                            svg(y),
                            svg(w),
                            svg(h),
                            svg(x - tape),
                            svg(y - tape),
                            svg(x + w),
                            svg(y + h),
                            svg(tape),
                            svg(h + 2 * tape)),
                    "M%s,%s h%s l3,4 -2,4 3,4 -3,4 2,4 h-%s Z".formatted(svg(tagX), svg(tagY), svg(tag), svg(tag + 3)),
                    svg(tagX + tag / 2),
                    svg(tagY + 16),
                    svg(railStart),
                    svg(x + w * 0.68),
                    svg(skin),
                    water.orElse(null),
                    runner.orElse(null),
                    svg(rail),
                    svg(railStart),
                    svg(railStart + railLength * 1.1),
                    svg(railStart + railLength),
                    svg(x + w - 6),
                    svg(y + 10),
                    svg(x + w / 2),
                    svg(y + h * 0.45),
                    svg(w + 2 * tape),
                    !NextReading.on(study.record(), selection.at(), section, selection.measure())
                                    .extra()
                            && selection.at().day() <= selection.today(),
                    water.isEmpty() && runner.isEmpty());
        }

        private Optional<Glyph> water(double skin, double start) {
            int day = selection.at().day();
            boolean sheets = study.record().contenderOn(section).kind() == WaterKind.SHEETS;
            Optional<SectionState> left = SectionState.on(study.record(), section, Measure.LEFT_BEHIND, day);
            Optional<SectionState> drop = SectionState.on(study.record(), section, Measure.DROP, day);
            if (drop.isPresent() && (!sheets || left.isEmpty())) {
                SectionState s = drop.get();
                double size = Math.min(h * 0.17, w * 0.09);
                return Optional.of(new Glyph(
                        Glyphs.drop(start + w * 0.26, skin, size, s.value()),
                        "",
                        Figures.score(Measure.DROP, s.value()),
                        s.read()));
            }
            return left.map(s -> new Glyph(
                    Glyphs.sheet(start, skin, w * 0.5, Math.min(h * 0.3, 2 + s.value() * h / 400)),
                    "",
                    Figures.number(s.value(), 0) + " g",
                    s.read()));
        }

        private Optional<Glyph> runner(double start, double length) {
            return SectionState.on(
                            study.record(),
                            section,
                            Measure.PULL,
                            selection.at().day())
                    .map(s -> new Glyph(
                            "",
                            svg(start + length * Math.min(1.1, s.value() / bare.getAsDouble())),
                            Figures.score(Measure.PULL, s.value()),
                            s.read()));
        }

        private String states() {
            List<String> states = new ArrayList<>();
            if (section.equals(selection.section())) {
                states.add("chosen");
            }
            if (study.record().contenderOn(section).isBare()) {
                states.add("bare");
            }
            return String.join(" ", states);
        }

        private String spoken(Optional<Glyph> water, Optional<Glyph> runner) {
            String what = study.record().contenderOn(section).isBare() ? ", bare" : "";
            String said = Stream.of(
                            water.map(g -> "water " + g.figure() + (g.read() ? "" : " estimated")),
                            runner.map(g -> "pull " + g.figure() + (g.read() ? "" : " estimated")))
                    .flatMap(Optional::stream)
                    .collect(Collectors.joining(", "));
            return "Section " + section.code() + what + ": " + (said.isEmpty() ? "not read yet" : said);
        }
    }
}
