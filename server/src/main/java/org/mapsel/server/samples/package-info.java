/** Exchanges and samples: what was sent and what came back. */
@NullMarked
package org.mapsel.server.samples;

import org.jspecify.annotations.NullMarked;
