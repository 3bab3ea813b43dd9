/** Money, and what a use of a product costs. */
@NullMarked
package org.evensheen.core.cost;

import org.jspecify.annotations.NullMarked;
