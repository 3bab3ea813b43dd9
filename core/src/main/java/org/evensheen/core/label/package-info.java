/** What a maker's label claims, and the line it is written in. */
@NullMarked
package org.evensheen.core.label;

import org.jspecify.annotations.NullMarked;
