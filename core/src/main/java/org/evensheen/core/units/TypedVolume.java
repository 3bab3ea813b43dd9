package org.evensheen.core.units;

import java.util.Optional;

/** A volume as a person types it, with its unit: 12 L, 500 mL, 3 US gal. */
public sealed interface TypedVolume {

    /**
     * It could be read.
     *
     * @param ml mL
     */
    record Read(double ml) implements TypedVolume {}

    /** It could not; the message says what is wrong and what to do. */
    record Refused(String message) implements TypedVolume {}

    /**
     * Reads what was typed.
     *
     * @param what the volume, as the message should call it
     * @param lowest lowest accepted, mL
     * @param highest highest accepted, mL
     */
    static TypedVolume read(String typed, String what, double lowest, double highest) {
        String text = typed.strip();
        int end = Decimal.end(Decimal.latin(text), 0);
        if (end == 0) {
            return new Refused("Write the %s with its unit, like 12 L or 500 mL.".formatted(what));
        }
        double amount;
        try {
            amount = Decimal.read(text.substring(0, end)).doubleValue();
        } catch (Decimal.Ambiguous e) {
            return new Refused(String.valueOf(e.getMessage()));
        } catch (NumberFormatException e) {
            return new Refused("“%s” is not a number. Check its points and commas.".formatted(text.substring(0, end)));
        }
        String name = text.substring(end).strip();
        if (name.isEmpty()) {
            return new Refused("%s what? Write %s L or %s mL.".formatted(text, text, text));
        }
        Optional<Unit> unit = Unit.named(Unit.Family.VOLUME, name);
        if (unit.isEmpty()) {
            return new Refused(
                    "“%s” is not a volume that is read here. Write mL, L, US fl oz or US gal.".formatted(name));
        }
        double ml = unit.get().toCanonical(amount);
        return ml >= lowest && ml <= highest
                ? new Read(ml)
                : new Refused("%s is out of reach: a %s holds %s mL to %s L. Check the unit."
                        .formatted(text, what, Decimal.write(lowest), Decimal.write(highest / 1000)));
    }
}
