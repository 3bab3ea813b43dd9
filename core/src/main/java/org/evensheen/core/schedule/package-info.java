/** What is to be read when, and what to read next. */
@NullMarked
package org.evensheen.core.schedule;

import org.jspecify.annotations.NullMarked;
