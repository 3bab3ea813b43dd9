/** Mitts, pads, sponges and towels: what every comparison has seen of each, and what it may be used for again. */
@NullMarked
package org.evensheen.app.rack;

import org.jspecify.annotations.NullMarked;
