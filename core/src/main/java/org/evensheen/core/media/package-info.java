/** Mitts, pads, sponges and towels: what they hold and let go, and so what they may be used for again. */
@org.jspecify.annotations.NullMarked
package org.evensheen.core.media;
