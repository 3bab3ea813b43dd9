/** A study on paper: its protocol, its calendar with reasons, what its chemicals can prove, and what it costs. */
@NullMarked
package org.evensheen.core.planning;

import org.jspecify.annotations.NullMarked;
