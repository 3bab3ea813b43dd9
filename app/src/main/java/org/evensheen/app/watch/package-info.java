/** Tells open pages that a study has changed, and keeps pages at hand for when there is no connection. */
@NullMarked
package org.evensheen.app.watch;

import org.jspecify.annotations.NullMarked;
