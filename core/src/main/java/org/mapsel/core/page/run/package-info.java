/**
 * What events do to an open page.
 *
 * <p>Pure: calls to make are effects that somebody else runs and hands back as the next event.
 */
@NullMarked
package org.mapsel.core.page.run;

import org.jspecify.annotations.NullMarked;
