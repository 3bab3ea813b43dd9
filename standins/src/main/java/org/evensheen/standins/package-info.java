/** Simulated panels whose truth is known, read with seeded noise as a person would read real ones. */
@NullMarked
package org.evensheen.standins;

import org.jspecify.annotations.NullMarked;
