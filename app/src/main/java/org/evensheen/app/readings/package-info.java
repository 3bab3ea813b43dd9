/** Keeping, correcting and striking readings; readings as a file. */
@NullMarked
package org.evensheen.app.readings;

import org.jspecify.annotations.NullMarked;
