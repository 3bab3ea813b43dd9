/** How long it lasts: what is left of a first effect visit by visit, lives and their ratios, promises of labels, and what was dirt and what was wear. */
@NullMarked
package org.evensheen.core.wear;

import org.jspecify.annotations.NullMarked;
