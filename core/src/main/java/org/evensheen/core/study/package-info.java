/** The nouns of a test: beds, sections, contenders, readings and what happened on which day. */
@NullMarked
package org.evensheen.core.study;

import org.jspecify.annotations.NullMarked;
