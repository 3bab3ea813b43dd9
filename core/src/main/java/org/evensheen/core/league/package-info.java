/** One ranking across studies and years, through direct meetings and shared references. */
@NullMarked
package org.evensheen.core.league;

import org.jspecify.annotations.NullMarked;
