/** What sections are taped on. */
@NullMarked
package org.evensheen.app.beds;

import org.jspecify.annotations.NullMarked;
