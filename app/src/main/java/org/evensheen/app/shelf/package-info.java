/** The Shelf: bottles, labels as they are edited, cautions, strips, photos, and the products file. */
@NullMarked
package org.evensheen.app.shelf;

import org.jspecify.annotations.NullMarked;
