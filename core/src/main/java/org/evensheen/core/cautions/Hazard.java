package org.evensheen.core.cautions;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What a product can do, what is needed against it, and what never to do. A reminder, not an authority: the maker's label, the
 * safety data sheet and local rules on run-off win.
 */
public enum Hazard {
    ACID(
            "Acid: burns skin and eyes, etches bare metal and glass.",
            "gloves, goggles, covered arms",
            "Never mix it with anything alkaline or with bleach. Never onto hot metal. Never let it dry."),
    ALKALINE(
            "Alkaline: burns skin and eyes, dulls bare aluminium, strips wax.",
            "gloves, goggles, covered arms",
            "Never mix it with acid. Never onto hot metal. Never let it dry."),
    BLEACH(
            "Chlorine bleach: gives off poisonous gas with acid or iron remover.",
            "gloves, goggles, fresh air",
            "Never mix it with any other cleaner."),
    SOLVENT(
            "Solvent: its vapour makes dizzy and catches fire.",
            "solvent-proof gloves, fresh air",
            "Never near a flame, a spark or a hot exhaust. Never pour it down a drain."),
    AEROSOL(
            "Aerosol: the mist gets into lungs, the can bursts when hot.",
            "fresh air, a mask for mist",
            "Never near a flame, never in a hot car, never pierce it."),
    IRON_REMOVER(
            "Iron remover: its smell is a harmful gas.",
            "gloves, goggles, a mask, open air",
            "Never mix it with acid or bleach. Never let it dry, never onto hot brakes."),
    SLIPPERY(
            "Leaves a slippery film.",
            "shoes that grip",
            "Never on tyre tread, brake discs or pads, pedals, a steering wheel, a two-wheeler's seat, or floors."),
    NOT_FOR_PAINT("Not meant for paint.", "gloves", "Never on a vehicle's paint: a sacrificial board only."),
    NOT_FOR_BRAKES_OR_TREAD(
            "Not for brakes or tyre tread.",
            "gloves",
            "Never where it can reach discs, pads or tread; wipe off what drips, and brake gently at first.");

    private final String what;
    private final String wear;
    private final String never;

    Hazard(String what, String wear, String never) {
        this.what = what;
        this.wear = wear;
        this.never = never;
    }

    /** As a label line writes it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    public String what() {
        return what;
    }

    public String wear() {
        return wear;
    }

    public String never() {
        return never;
    }

    public static Optional<Hazard> named(String word) {
        String wanted = word.strip().toLowerCase(Locale.ROOT).replaceAll("[-\\s]+", " ");
        return Stream.of(values()).filter(h -> h.word().equals(wanted)).findFirst();
    }
}
