/** Air and water on the panel: dew point, vapour-pressure deficit, and the hours in which work keeps dry. */
@NullMarked
package org.evensheen.core.weather;

import org.jspecify.annotations.NullMarked;
