package org.evensheen.core.sidebyside;

/** Cautions of moves. They remind; the maker's label, the safety data sheet and local rules win. */
final class Careful {
    private static final String HIDDEN =
            "An unknown product on a hidden spot first. The maker's label wins. Prop and lock a raised bonnet.";
    private static final String SLIP =
            "Wet soapy ground is slippery. Prop and lock a raised bonnet. Water keeps off electrics.";
    private static final String JET = "A pressure washer: never at skin, not close to seals, never into electrics.";
    private static final String WHEELS =
            "Gloves and eyes; air and a mask for iron removers. Never on hot metal. Keep slippery things off tread, discs and pads; rinse fully between acid and alkaline.";
    private static final String STRONG =
            "Gloves, eyes, air. Rinse fully before the next step: acid and alkaline never meet. What is not meant for paint belongs on a piece you can spare.";
    private static final String TREAD =
            "Nothing slippery on tread, discs, pads, pedals or seats. Let it dry before you drive.";

    private Careful() {}

    /** A caution by its word in {@code kinds.txt}; empty for none. */
    static String of(String word) {
        return switch (word) {
            case "hidden" -> HIDDEN;
            case "slip" -> SLIP;
            case "jet" -> JET;
            case "wheels" -> WHEELS;
            case "strong" -> STRONG;
            case "tread" -> TREAD;
            case "" -> "";
            default -> throw new IllegalStateException("no caution " + word);
        };
    }
}
