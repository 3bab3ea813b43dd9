/** Home: what is due now. */
@NullMarked
package org.evensheen.app.bench;

import org.jspecify.annotations.NullMarked;
