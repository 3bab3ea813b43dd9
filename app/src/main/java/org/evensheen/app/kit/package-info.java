/** The Kit: links to instruments, what they are asked and what they say. */
@NullMarked
package org.evensheen.app.kit;

import org.jspecify.annotations.NullMarked;
