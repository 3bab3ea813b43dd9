/** The invented world of the demo. */
@NullMarked
package org.evensheen.app.demo;

import org.jspecify.annotations.NullMarked;
