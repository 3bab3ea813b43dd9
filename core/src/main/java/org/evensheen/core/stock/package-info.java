/** How long a bottle lasts. */
@NullMarked
package org.evensheen.core.stock;

import org.jspecify.annotations.NullMarked;
