/** What water does on a section: contact angle of a drop, water left behind, and grades by eye. */
@NullMarked
package org.evensheen.core.water;

import org.jspecify.annotations.NullMarked;
