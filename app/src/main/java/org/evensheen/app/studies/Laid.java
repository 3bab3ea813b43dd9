package org.evensheen.app.studies;

import java.util.Locale;
import java.util.Optional;
import org.evensheen.core.study.Contender;
import org.evensheen.core.study.Section;
import org.evensheen.core.water.WaterKind;
import org.jspecify.annotations.Nullable;

/** A section with what lies on it, as a statement on studies gives it; lengths in mm. */
record Laid(
        int number,
        String role,
        @Nullable String water,
        String source,
        String kind,
        String way,
        @Nullable String name,
        @Nullable String layers,
        String code,
        int block,
        double x,
        double y,
        double width,
        double height,
        boolean hand,
        String place) {

    Contender contender() {
        Contender.Role part = Contender.Role.valueOf(role.toUpperCase(Locale.ROOT));
        if (part.control()) {
            return Contender.control(number, part);
        }
        return new Contender(
                number,
                Optional.ofNullable(name).orElse(""),
                part,
                Optional.ofNullable(water).flatMap(WaterKind::ofCode),
                Contender.Source.valueOf(source.toUpperCase(Locale.ROOT)),
                Contender.Kind.ofCode(kind).orElseThrow(),
                way);
    }

    Section section() {
        return new Section(code, number, block, x, y, width, height, hand, place);
    }
}
