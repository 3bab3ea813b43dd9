package org.evensheen.core.sidebyside;

/** Cautions of moves. They remind; the maker's label, the safety data sheet and local rules win. */
final class Careful {
    static final String HIDDEN =
            "An unknown product on a hidden spot first. The maker's label wins. Prop and lock a raised bonnet.";
    static final String SLIP =
            "Wet soapy ground is slippery. Prop and lock a raised bonnet. Water keeps off electrics.";
    static final String JET = "A pressure washer: never at skin, not close to seals, never into electrics.";
    static final String WHEELS =
            "Gloves and eyes; air and a mask for iron removers. Never on hot metal. Keep slippery things off tread, discs and pads; rinse fully between acid and alkaline.";

    private Careful() {}
}
