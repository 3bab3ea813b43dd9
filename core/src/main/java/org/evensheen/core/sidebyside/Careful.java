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

    private Careful() {}

    /** A caution by its word in {@code kinds.txt}; empty for none. */
    static String of(String word) {
        return switch (word) {
            case "hidden" -> HIDDEN;
            case "slip" -> SLIP;
            case "jet" -> JET;
            case "wheels" -> WHEELS;
            case "" -> "";
            default -> throw new IllegalStateException("no caution " + word);
        };
    }
}
