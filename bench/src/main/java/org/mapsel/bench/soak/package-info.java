/** Everything at once for a while: what is slow, what is lost, what grows. */
@NullMarked
package org.mapsel.bench.soak;

import org.jspecify.annotations.NullMarked;
