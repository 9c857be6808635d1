/** One event of a page with one call, beside the bare exchange with the service. */
@NullMarked
package org.mapsel.bench.event;

import org.jspecify.annotations.NullMarked;
