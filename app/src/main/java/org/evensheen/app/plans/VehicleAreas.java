package org.evensheen.app.plans;

import java.util.ArrayList;
import java.util.List;
import org.evensheen.app.beds.Bed;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.Layout;
import org.evensheen.core.layout.Places;
import org.evensheen.core.layout.Zone;
import org.evensheen.core.study.Section;

/** A whole vehicle as a bed: a line of places for each of its areas. */
final class VehicleAreas {
    private VehicleAreas() {}

    /** The same with its areas as zones, a line of places each. */
    static Bed on(Bed bed, int down, double heightMm) {
        List<Zone> zones = new ArrayList<>();
        for (int i = 0; i < Math.min(down, Places.areas().size()); i++) {
            Places.Area area = Places.areas().get(i);
            double top = Layout.GAP + i * (heightMm + Layout.GAP);
            area.kind().ifPresent(kind -> zones.add(new Zone(kind, area.name(), 0, top, bed.widthMm(), heightMm)));
        }
        return new Bed(
                bed.id(),
                bed.name(),
                bed.vehicle(),
                bed.kind(),
                new BedShape(bed.shape().outline(), bed.shape().trims(), zones),
                bed.traits());
    }

    /** Sections of a whole vehicle by their areas' names. */
    static Layout named(Layout layout) {
        List<Double> lines =
                layout.sections().stream().map(Section::yMm).distinct().sorted().toList();
        List<Section> sections = layout.sections().stream()
                .map(s -> {
                    List<Double> across = layout.sections().stream()
                            .filter(o -> o.yMm() == s.yMm())
                            .map(Section::xMm)
                            .sorted()
                            .toList();
                    String area = Places.areas().get(lines.indexOf(s.yMm())).name();
                    return s.named(Places.part(area, across.indexOf(s.xMm()), across.size()));
                })
                .toList();
        return new Layout(sections, layout.spare(), layout.gapMm());
    }
}
