/** How foam stands and drains. */
@NullMarked
package org.evensheen.core.foam;

import org.jspecify.annotations.NullMarked;
