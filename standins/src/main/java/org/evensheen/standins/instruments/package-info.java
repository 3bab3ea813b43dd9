/** Simulated instruments: seeded physics, speaking plain lines over TCP on loopback as real ones would. */
@NullMarked
package org.evensheen.standins.instruments;

import org.jspecify.annotations.NullMarked;
