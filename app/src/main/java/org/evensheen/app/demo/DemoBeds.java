package org.evensheen.app.demo;

import java.util.List;
import org.evensheen.app.beds.Bed;
import org.evensheen.app.beds.Bed.Hardness;
import org.evensheen.app.beds.Bed.Kind;
import org.evensheen.app.beds.Bed.Traits;
import org.evensheen.core.layout.BedShape;
import org.evensheen.core.layout.BedShape.Trim;
import org.evensheen.core.layout.Outline;
import org.evensheen.core.layout.Zone;

/** The invented beds: Heron, a retired library van, two loose boards and a hand-cart wheel. */
final class DemoBeds {
    private static final Traits HERON = new Traits(
            86,
            "estuary green",
            Hardness.AVERAGE,
            "an old wax, stripped",
            "outdoors by the boat shed, 90 km a week, salt air");

    private DemoBeds() {}

    static Bed nearFlank() {
        return new Bed(
                0,
                "Heron, near flank",
                "Heron",
                Kind.FLANK,
                new BedShape(
                        Outline.parse("0,0 2400,0 2400,1470 2330,1480 2260,1510 2210,1560 2180,1640 0,1640"),
                        List.of(),
                        List.of(new Zone(Zone.Kind.LOW, "fouls first: below the waist line", 0, 840, 2400, 800))),
                HERON);
    }

    static Bed offFlank() {
        return new Bed(
                0,
                "Heron, off flank",
                "Heron",
                Kind.FLANK,
                new BedShape(
                        Outline.parse("0,0 2400,0 2400,1640 220,1640 190,1560 140,1510 70,1480 0,1470"),
                        List.of(
                                new Trim("sliding door handle", Outline.rectangle(1180, 620, 190, 60)),
                                new Trim("rubbing strip", Outline.rectangle(0, 890, 2400, 40))),
                        List.of(
                                new Zone(Zone.Kind.LOW, "fouls first: below the strip", 0, 930, 2400, 710),
                                new Zone(Zone.Kind.SUN, "afternoon sun", 1700, 0, 700, 890))),
                HERON);
    }

    static Bed cabDoors() {
        return new Bed(
                0,
                "Heron, cab doors",
                "Heron",
                Kind.FLANK,
                new BedShape(
                        Outline.rectangle(0, 0, 2000, 1300),
                        List.of(new Trim("mirror foot", Outline.rectangle(1860, 0, 140, 120))),
                        List.of(new Zone(Zone.Kind.LOW, "fouls first: above the wheel", 0, 860, 2000, 440))),
                HERON);
    }

    static Bed rearDoors() {
        return new Bed(
                0,
                "Heron, rear doors",
                "Heron",
                Kind.TAILGATE,
                new BedShape(
                        Outline.parse("60,0 1740,0 1800,120 1800,1560 0,1560 0,120"),
                        List.of(
                                new Trim("gap between the doors", Outline.rectangle(890, 0, 20, 1560)),
                                new Trim("number plate", Outline.rectangle(300, 1230, 340, 130))),
                        List.of(new Zone(Zone.Kind.LOW, "fouls first: spray from the wheels", 0, 1040, 1800, 520))),
                HERON);
    }

    static Bed bonnet() {
        return new Bed(
                0,
                "Heron, bonnet",
                "Heron",
                Kind.BONNET,
                new BedShape(
                        Outline.parse("80,0 1320,0 1400,760 1320,820 80,820 0,760"),
                        List.of(new Trim("badge", Outline.circle(700, 740, 45))),
                        List.of(new Zone(Zone.Kind.HEAT, "warm: over the engine", 350, 250, 700, 420))),
                new Traits(12, "estuary green", Hardness.AVERAGE, "an old wax", HERON.lives()));
    }

    static Bed softBlack() {
        return new Bed(
                0,
                "Loose board, soft black",
                "",
                Kind.BOARD,
                BedShape.rectangle(1500, 1000),
                new Traits(0, "black", Hardness.SOFT, "", "indoors, on trestles"));
    }

    static Bed hardWhite() {
        return new Bed(
                0,
                "Loose board, hard white",
                "",
                Kind.BOARD,
                BedShape.rectangle(1200, 600),
                new Traits(0, "white", Hardness.HARD, "", "indoors, on trestles"));
    }

    static Bed cartWheel() {
        return new Bed(
                0,
                "Hand-cart wheel",
                "Hand-cart",
                Kind.WHEEL,
                new BedShape(
                        Outline.circle(330, 330, 330),
                        List.of(new Trim("hub", Outline.circle(330, 330, 60))),
                        List.of()),
                new Traits(90, "red", Hardness.HARD, "", "outdoors, on cobbles"));
    }
}
