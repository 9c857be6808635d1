/** One call from end to end: map, write, send, read, map back. */
@NullMarked
package org.mapsel.core.call;

import org.jspecify.annotations.NullMarked;
