/**
 * What is read on a place: one class a measure, with everything that is particular to it. Forms, files, the run sheet, axes and titles
 * are made from that; nothing elsewhere asks which measure it has.
 */
@NullMarked
package org.evensheen.core.measure;

import org.jspecify.annotations.NullMarked;
