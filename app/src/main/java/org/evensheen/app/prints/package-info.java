/** Print views: tape tags, the kit list and the run sheet of the day. */
@NullMarked
package org.evensheen.app.prints;

import org.jspecify.annotations.NullMarked;
