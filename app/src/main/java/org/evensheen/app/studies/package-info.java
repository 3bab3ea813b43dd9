/** Studies: their record, the study screen, and new ones. */
@NullMarked
package org.evensheen.app.studies;

import org.jspecify.annotations.NullMarked;
