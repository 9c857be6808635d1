/** Requests that leave this machine, with their limits. */
@NullMarked
package org.mapsel.server.outgoing;

import org.jspecify.annotations.NullMarked;
