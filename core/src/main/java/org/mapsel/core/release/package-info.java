/** Versions of an app that are handed over, and what changed from one to the next. */
@NullMarked
package org.mapsel.core.release;

import org.jspecify.annotations.NullMarked;
