/** Photos as they are taken in: upright, smaller, with nothing of the camera or the place in them. */
@NullMarked
package org.evensheen.app.pictures;

import org.jspecify.annotations.NullMarked;
