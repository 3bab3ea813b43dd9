/** Dated work of all studies together: the calendar, its file, and the address to subscribe to. */
@NullMarked
package org.evensheen.app.calendar;

import org.jspecify.annotations.NullMarked;
