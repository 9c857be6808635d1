/**
 * The other side of the wire: a service that is played from its description, with values that were
 * recorded or are made up. What reads answers elsewhere reads requests here, and the other way
 * round.
 */
@NullMarked
package org.mapsel.core.serve;

import org.jspecify.annotations.NullMarked;
