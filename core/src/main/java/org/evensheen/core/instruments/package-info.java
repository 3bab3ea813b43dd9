/** What instruments say, line by line: patterns, units, steadiness, checks. */
@NullMarked
package org.evensheen.core.instruments;

import org.jspecify.annotations.NullMarked;
