/** What a product can do to hands, eyes, paint and brakes, and what must not meet. */
@NullMarked
package org.evensheen.core.cautions;

import org.jspecify.annotations.NullMarked;
