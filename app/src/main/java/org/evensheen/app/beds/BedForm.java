package org.evensheen.app.beds;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.evensheen.app.beds.Bed.Hardness;
import org.evensheen.app.beds.Bed.Kind;
import org.evensheen.app.beds.Bed.Traits;
import org.evensheen.app.page.Figures;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.BedShape.Trim;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Zone;
import org.evensheen.core.units.PlainText;
import org.evensheen.core.units.TypedNumber;

/** Reads what was typed for a bed, or says at each field what is wrong. */
final class BedForm {
    /** How many rows for trims and zones the form has. */
    static final int ROWS = 6;

    private final Map<String, String> typed;
    private final Map<String, String> problems = new LinkedHashMap<>();

    private BedForm(Map<String, String> typed) {
        this.typed = typed;
    }

    /**
     * What became of it.
     *
     * @param shape as much of the shape as can be drawn
     * @param bed the bed, if nothing is wrong
     */
    record Outcome(Map<String, String> problems, Optional<BedShape> shape, Optional<Bed> bed) {}

    static Outcome read(long id, Map<String, String> typed) {
        return new BedForm(typed).read(id);
    }

    /** What the form shows for a bed. */
    static Map<String, String> of(Bed bed) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("name", bed.name());
        typed.put("vehicle", bed.vehicle());
        typed.put("kind", bed.kind().code());
        typed.put(
                "outline",
                bed.shape().outline().printPlace().startsWith("0,0 ")
                                && bed.shape().outline().printPlace().contains("×")
                        ? bed.shape().outline().printPlace().substring(4)
                        : bed.shape().outline().print());
        typed.put("tilt", Figures.typed(bed.traits().tiltDegrees()));
        typed.put("colour", bed.traits().colour());
        typed.put("hardness", bed.traits().hardness().code());
        typed.put("carries", bed.traits().carries());
        typed.put("lives", bed.traits().lives());
        int i = 0;
        for (Trim trim : bed.shape().trims()) {
            typed.put("trim" + i, trim.label());
            typed.put("trimAt" + i++, trim.outline().printPlace());
        }
        i = 0;
        for (Zone zone : bed.shape().zones()) {
            typed.put("zone" + i, zone.label());
            typed.put("zoneKind" + i, zone.kind().code());
            typed.put(
                    "zoneAt" + i++,
                    Outline.rectangle(zone.xMm(), zone.yMm(), zone.widthMm(), zone.heightMm())
                            .printPlace());
        }
        return typed;
    }

    private Outcome read(long id) {
        String name = text("name", 80);
        if (!PlainText.readable(name)) {
            problems.put("name", "Name the bed: near flank, bonnet, loose board.");
        }
        Optional<Outline> outline = outline();
        List<Trim> trims = trims();
        List<Zone> zones = zones(outline);
        Traits traits = new Traits(
                tilt(),
                text("colour", 40),
                Hardness.ofCode(in("hardness")).orElse(Hardness.AVERAGE),
                text("carries", 200),
                text("lives", 200));
        Optional<BedShape> shape = outline.map(o -> new BedShape(o, trims, zones));
        Kind kind = Kind.ofCode(in("kind")).filter(Bed.drawn()::contains).orElse(Kind.OTHER);
        String vehicle = text("vehicle", 60);
        return new Outcome(
                problems,
                shape,
                problems.isEmpty() ? shape.map(s -> new Bed(id, name, vehicle, kind, s, traits)) : Optional.empty());
    }

    private String in(String field) {
        return PlainText.line(typed.getOrDefault(field, ""));
    }

    private String text(String field, int longest) {
        String text = in(field);
        if (text.length() > longest) {
            problems.put(field, "That has %d characters; %d is the most.".formatted(text.length(), longest));
        }
        return text;
    }

    /** "1500 × 1000", "⌀ 660", or corners. */
    private Optional<Outline> outline() {
        String text = in("outline");
        if (text.isEmpty()) {
            problems.put(
                    "outline",
                    "Type its size in mm: 1500 × 1000 for a rectangle, ⌀ 660 for a wheel, or corners: 0,0 1500,0 1400,900.");
            return Optional.empty();
        }
        try {
            Outline read;
            if (text.matches("[⌀øØo]\\s*\\d+(\\.\\d+)?")) {
                double d = Double.parseDouble(text.replaceAll("[^\\d.]", ""));
                read = Outline.parsePlace(d / 2 + "," + d / 2 + " ⌀" + d);
            } else {
                read = Outline.parsePlace(text.matches("\\d[\\d.]*\\s*[x×*].*") ? "0,0 " + text : text);
            }
            if (Math.min(read.right(), read.bottom()) < 80) {
                problems.put("outline", "A bed of less than 80 mm has no room for a section.");
            }
            return Optional.of(read);
        } catch (Outline.Impossible e) {
            problems.put("outline", String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    private List<Trim> trims() {
        List<Trim> trims = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < ROWS; i++) {
            String label = text("trim" + i, 80);
            String at = in("trimAt" + i);
            if (label.isEmpty() && at.isEmpty()) {
                continue;
            }
            String name = label.isEmpty() ? "trim " + (i + 1) : label;
            if (!seen.add(name)) {
                problems.put("trim" + i, "“%s” is listed twice. Name each once.".formatted(name));
            }
            try {
                trims.add(new Trim(name, Outline.parsePlace(at)));
            } catch (Outline.Impossible e) {
                problems.put("trim" + i, at.isEmpty() ? "Say where: 1180,620 190×60." : String.valueOf(e.getMessage()));
            }
        }
        return trims;
    }

    private List<Zone> zones(Optional<Outline> outline) {
        List<Zone> zones = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < ROWS; i++) {
            String label = text("zone" + i, 80);
            String at = in("zoneAt" + i);
            if (label.isEmpty() && at.isEmpty()) {
                continue;
            }
            Zone.Kind kind = Zone.Kind.ofCode(in("zoneKind" + i)).orElse(Zone.Kind.LOW);
            String name = label.isEmpty() ? kind.word() + " " + (i + 1) : label;
            if (!seen.add(name)) {
                problems.put("zone" + i, "“%s” is listed twice. Name each once.".formatted(name));
            }
            try {
                Outline area = Outline.parsePlace(at);
                double x = area.corners().stream()
                        .mapToDouble(Outline.Corner::x)
                        .min()
                        .orElse(0);
                double y = area.corners().stream()
                        .mapToDouble(Outline.Corner::y)
                        .min()
                        .orElse(0);
                zones.add(new Zone(kind, name, x, y, area.right() - x, area.bottom() - y));
                if (outline.isPresent()
                        && (x >= outline.get().right() || y >= outline.get().bottom())) {
                    problems.put("zone" + i, "That lies outside the bed.");
                }
            } catch (IllegalArgumentException e) {
                problems.put("zone" + i, at.isEmpty() ? "Say where: 0,840 2400×800." : String.valueOf(e.getMessage()));
            }
        }
        return zones;
    }

    private double tilt() {
        if (in("tilt").isEmpty()) {
            return 90;
        }
        TypedNumber read = TypedNumber.read(in("tilt"), "tilt", "°", 0, 180);
        if (read instanceof TypedNumber.Read value) {
            return value.value();
        }
        problems.put("tilt", ((TypedNumber.Refused) read).message());
        return 90;
    }
}
