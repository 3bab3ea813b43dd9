/** Units, spans of amounts, and numbers as people type them. */
@NullMarked
package org.evensheen.core.units;

import org.jspecify.annotations.NullMarked;
