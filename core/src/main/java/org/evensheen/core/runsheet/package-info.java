/** A day at the bench as one step at a time: what comes next, which gates hold, what one pair of hands does when. */
@NullMarked
package org.evensheen.core.runsheet;

import org.jspecify.annotations.NullMarked;
