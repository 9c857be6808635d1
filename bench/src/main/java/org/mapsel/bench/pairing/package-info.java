/** How well fields are paired, measured against pairs that are known. */
@NullMarked
package org.mapsel.bench.pairing;

import org.jspecify.annotations.NullMarked;
