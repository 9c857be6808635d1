/**
 * The one vocabulary all readers emit: what a text declares, with unresolved names and places.
 *
 * <p>Repeats faithfully, decides nothing. Meaning starts in {@code link}.
 */
@NullMarked
package org.mapsel.core.declare;

import org.jspecify.annotations.NullMarked;
