/** Who is best, second and indistinguishable, and how each number was worked out. */
@NullMarked
package org.evensheen.app.verdicts;

import org.jspecify.annotations.NullMarked;
