/** How far a result can be trusted, and what would let it be trusted more. */
@NullMarked
package org.evensheen.core.footing;

import org.jspecify.annotations.NullMarked;
