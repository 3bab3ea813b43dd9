/** Ordinary washes between studies: logged once for every study on the vehicle. */
@NullMarked
package org.evensheen.app.washes;

import org.jspecify.annotations.NullMarked;
