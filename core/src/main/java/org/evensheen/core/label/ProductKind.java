package org.evensheen.core.label;

import java.util.Optional;
import java.util.stream.Stream;

/** What a product is for. */
public enum ProductKind {
    SOAP("soap", "soap", Vessel.JUG),
    FOAM("foam", "foam", Vessel.JUG),
    RINSELESS("rinseless", "rinseless wash", Vessel.FLASK),
    WATERLESS("waterless", "waterless wash", Vessel.TRIGGER),
    DETAILER("detailer", "quick detailer", Vessel.TRIGGER),
    SPRAY_WAX("spray-wax", "spray wax", Vessel.TRIGGER),
    WAX("wax", "wax", Vessel.TIN),
    SEALANT("sealant", "sealant", Vessel.FLASK),
    COATING("coating", "coating", Vessel.FLASK),
    RINSE_ON("rinse-on", "rinse-on coat", Vessel.TRIGGER),
    WHEEL("wheel", "wheel cleaner", Vessel.TRIGGER),
    IRON("iron", "iron cleaner", Vessel.TRIGGER),
    STRIPPING("stripping", "stripping or chemical cleaner", Vessel.JUG),
    GLASS("glass", "glass cleaner", Vessel.TRIGGER),
    TRIM("trim", "trim dressing", Vessel.FLASK),
    TYRE("tyre", "tyre dressing", Vessel.CAN),
    INTERIOR("interior", "interior cleaner", Vessel.TRIGGER),
    MEDIA("media", "mitt, sponge or towel", Vessel.TIN),
    OTHER("other", "other", Vessel.FLASK);

    private static final double SMALL = 800;
    private static final double LARGE = 1500;

    /** The vessel that a product comes in; what is drawn for it. */
    public enum Vessel {
        FLASK,
        TRIGGER,
        JUG,
        TIN,
        CAN
    }

    private final String code;
    private final String label;
    private final Vessel vessel;

    ProductKind(String code, String label, Vessel vessel) {
        this.code = code;
        this.label = label;
        this.vessel = vessel;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    /** The vessel it mostly comes in at a size: what is large comes in a jug, what is small in a flask. */
    public Vessel vessel(double sizeMl) {
        if (vessel == Vessel.JUG && sizeMl < SMALL) {
            return Vessel.FLASK;
        }
        return sizeMl > LARGE && vessel != Vessel.TIN ? Vessel.JUG : vessel;
    }

    /** Whether a car is washed with it, so that "cars" is what its uses are counted in; else it is put on panel by panel. */
    public boolean washes() {
        return this == SOAP || this == FOAM || this == RINSELESS;
    }

    public static Optional<ProductKind> ofCode(String code) {
        return Stream.of(values()).filter(k -> k.code.equals(code)).findFirst();
    }
}
