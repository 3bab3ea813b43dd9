/** Beds to scale, the sections that fit on them, and the lots that say which product goes where. */
@NullMarked
package org.evensheen.core.layout;

import org.jspecify.annotations.NullMarked;
