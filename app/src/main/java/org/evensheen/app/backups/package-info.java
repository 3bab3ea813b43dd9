/** Everything in one file: made while running, checked, and brought back into an empty home. */
@NullMarked
package org.evensheen.app.backups;

import org.jspecify.annotations.NullMarked;
