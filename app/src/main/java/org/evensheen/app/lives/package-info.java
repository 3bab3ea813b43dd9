/** How long the products of a study last: their curves on a steel tape, lives, promises of labels, and what a visit showed. */
@NullMarked
package org.evensheen.app.lives;

import org.jspecify.annotations.NullMarked;
