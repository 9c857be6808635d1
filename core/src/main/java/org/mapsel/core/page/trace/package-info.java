/**
 * How what is seen on an open page came to be, and where on it something that came back is seen.
 *
 * <p>In: a page, its plan and its state. Out: for a value its sources, back to the places in
 * answers; for such a place what shows it.
 */
@NullMarked
package org.mapsel.core.page.trace;

import org.jspecify.annotations.NullMarked;
