/** The afternoon: something compared side by side, now. */
@NullMarked
package org.evensheen.app.sidebyside;

import org.jspecify.annotations.NullMarked;
