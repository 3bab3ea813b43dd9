/** Photos of sections, lined up along the Tape and laid beside each other. */
@NullMarked
package org.evensheen.app.photos;

import org.jspecify.annotations.NullMarked;
