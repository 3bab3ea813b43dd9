/** The answer of a study: every quality on one scale, weighed for a reader, with what it costs. */
@NullMarked
package org.evensheen.core.answer;

import org.jspecify.annotations.NullMarked;
