package org.evensheen.core.runsheet;

import java.time.Instant;

/**
 * A step that was taken.
 *
 * @param step its key
 * @param passed whether it is a gate that was walked past, with the reason in the note
 * @param at by the server's clock
 */
public record Mark(String step, boolean passed, Instant at, String by, String note) {}
