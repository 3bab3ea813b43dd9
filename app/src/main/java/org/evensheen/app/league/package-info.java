/** Every product ever tested, in one ranking a quality, across studies and years. */
@NullMarked
package org.evensheen.app.league;

import org.jspecify.annotations.NullMarked;
