/** What every page shares: numbers in words, errors, headers, and who is at work. */
@NullMarked
package org.evensheen.app.page;

import org.jspecify.annotations.NullMarked;
