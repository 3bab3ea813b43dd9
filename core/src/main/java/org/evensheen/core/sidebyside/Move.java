package org.evensheen.core.sidebyside;

import java.util.List;

/**
 * Something that is done to every place alike.
 *
 * @param code in keys of steps
 * @param title as a large line: "Wash, the same strokes on each"
 * @param caution where it can hurt; empty if it can't
 * @param slips what can go wrong with it, as far as it would matter
 * @param timed whether how long it stays on counts, so that each place has a clock
 * @param wets whether it wets for looks at what water does, so that the way counts
 * @param rung whether it is a step of a ladder
 */
public record Move(
        String code,
        String title,
        String how,
        String caution,
        List<Slip> slips,
        boolean timed,
        boolean wets,
        boolean rung) {}
