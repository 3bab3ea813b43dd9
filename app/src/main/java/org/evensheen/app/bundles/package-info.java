/** A study as a bundle of files that any other tool can read, out and in, whole or not at all. */
@NullMarked
package org.evensheen.app.bundles;

import org.jspecify.annotations.NullMarked;
