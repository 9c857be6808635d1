/** How much large work goes on at once. */
@NullMarked
package org.mapsel.server.memory;

import org.jspecify.annotations.NullMarked;
