/**
 * The value tree: what was typed, sent or returned. Immutable.
 *
 * <p>Records of one shape share their {@link org.mapsel.core.value.Layout}, so that a hundred
 * thousand rows cost an array each and not a map each.
 */
@NullMarked
package org.mapsel.core.value;

import org.jspecify.annotations.NullMarked;
