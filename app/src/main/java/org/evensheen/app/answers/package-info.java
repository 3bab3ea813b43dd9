/** The answer of a study: who for whom, for what money, and what it would take to know more. */
@NullMarked
package org.evensheen.app.answers;

import org.jspecify.annotations.NullMarked;
