/** Even Sheen as a web application. */
@NullMarked
package org.evensheen.app;

import org.jspecify.annotations.NullMarked;
