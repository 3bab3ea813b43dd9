/** Studies on paper: the Planner with its layout, protocol, findings, rehearsal and dates. */
@NullMarked
package org.evensheen.app.plans;

import org.jspecify.annotations.NullMarked;
