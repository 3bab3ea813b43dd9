/** Products with what their labels say: what the Shelf, the Mixer and the studies all need. */
@NullMarked
package org.evensheen.app.labels;

import org.jspecify.annotations.NullMarked;
