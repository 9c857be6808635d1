/**
 * What a page can draw on: the types of all that its slots may be filled from, and the described
 * fields behind them.
 */
@NullMarked
package org.mapsel.core.page.reach;

import org.jspecify.annotations.NullMarked;
