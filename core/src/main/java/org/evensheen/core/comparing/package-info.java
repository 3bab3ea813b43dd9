/** Which product differs from which, by how much, and how sure that is. */
@NullMarked
package org.evensheen.core.comparing;

import org.jspecify.annotations.NullMarked;
