/** An afternoon: what is compared side by side, now, what is asked of it, and what the answers come to. */
@NullMarked
package org.evensheen.core.sidebyside;

import org.jspecify.annotations.NullMarked;
