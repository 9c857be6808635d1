/**
 * Finds which fields of two sides belong to each other, and says why.
 *
 * <p>Each hint looks at one thing that two fields may have in common and gives evidence for or
 * against, in log-odds; these add up. What pairs nearby raises what stands beside it, and then
 * every field gets at most one other, at the best total.
 */
@NullMarked
package org.mapsel.core.pairing;

import org.jspecify.annotations.NullMarked;
