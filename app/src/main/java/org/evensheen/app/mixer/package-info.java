/** The Mixer: millilitres for a vessel, and what a job costs. */
@NullMarked
package org.evensheen.app.mixer;

import org.jspecify.annotations.NullMarked;
