/** How easily a weighted sled slides: friction, benefit against bare, and what is left of it. */
@NullMarked
package org.evensheen.core.slickness;

import org.jspecify.annotations.NullMarked;
