package org.evensheen.core.sidebyside;

/**
 * Something that is done to every place alike.
 *
 * @param code in keys of steps
 * @param title as a large line: "Wash, the same strokes on each"
 * @param caution where it can hurt; empty if it can't
 */
public record Move(String code, String title, String how, String caution) {}
