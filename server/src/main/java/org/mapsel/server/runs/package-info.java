/** Pages that run. */
@NullMarked
package org.mapsel.server.runs;

import org.jspecify.annotations.NullMarked;
