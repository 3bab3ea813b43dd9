/** The bench day: a day's run sheet, its gates and clocks, the air, and what was done. */
@NullMarked
package org.evensheen.app.runsheet;

import org.jspecify.annotations.NullMarked;
