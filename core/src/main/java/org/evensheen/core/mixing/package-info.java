/** Ratios, doses, mixes, and what a cap, a pump or a spray holds. */
@NullMarked
package org.evensheen.core.mixing;

import org.jspecify.annotations.NullMarked;
