package org.evensheen.app.plans;

import static org.evensheen.app.page.Figures.svg;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.evensheen.app.beds.BedDrawing;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;

/** The bed with the sections as the lots fell. */
record PlanDrawing(BedDrawing bed, boolean toScale, List<Taped> sections, List<Spare> spare) {
    private static final double WIDE = 760;
    private static final double TALL = 520;
    private static final double LETTER = 7.1;

    /** A section. */
    record Taped(
            String code,
            String under,
            String x,
            String y,
            String width,
            String height,
            String middle,
            String codeY,
            String underY,
            boolean bare,
            boolean byHand,
            String spoken) {}

    /** A place that is not used. */
    record Spare(int number, String x, String y, String width, String height) {}

    static PlanDrawing of(Design design, LocalDate today) {
        BedDrawing bed = BedDrawing.fitting(design.bed().orElseThrow().shape(), WIDE, TALL, design.inUse(), today);
        double unit = bed.unit();
        List<Taped> taped = design.layout().map(Layout::sections).orElse(List.of()).stream()
                .map(s -> taped(s, design.entrants().get(s.contender()).contender(), unit))
                .toList();
        List<org.evensheen.core.layout.Place> spare =
                design.layout().map(Layout::spare).orElse(List.of());
        return new PlanDrawing(
                bed,
                design.unit() == Design.Unit.SECTION,
                taped,
                java.util.stream.IntStream.range(0, spare.size())
                        .mapToObj(i -> new Spare(
                                i,
                                at(spare.get(i).xMm(), unit),
                                at(spare.get(i).yMm(), unit),
                                svg(spare.get(i).widthMm() * unit),
                                svg(spare.get(i).heightMm() * unit)))
                        .toList());
    }

    private static Taped taped(Section s, Contender contender, double unit) {
        double width = s.widthMm() * unit;
        double middle = (s.yMm() + s.heightMm() / 2) * unit + BedDrawing.MARGIN;
        String name = contender.isControl() ? contender.name().toLowerCase(Locale.ROOT) : contender.name();
        int fits = Math.max(3, (int) (width / LETTER));
        return new Taped(
                s.code(),
                name.length() <= fits ? name : name.substring(0, fits - 1) + "…",
                at(s.xMm(), unit),
                at(s.yMm(), unit),
                svg(width),
                svg(s.heightMm() * unit),
                svg((s.xMm() + s.widthMm() / 2) * unit + BedDrawing.MARGIN),
                svg(middle),
                svg(middle + 17),
                contender.isControl(),
                s.byHand(),
                "%s: %s, block %d%s".formatted(s.code(), name, s.row(), s.byHand() ? ", placed by hand" : ""));
    }

    private static String at(double mm, double unit) {
        return svg(BedDrawing.MARGIN + mm * unit);
    }
}
