/** Where sections go on a bed, and which product is drawn by lot for which section. */
@NullMarked
package org.evensheen.core.layout;

import org.jspecify.annotations.NullMarked;
