/** Measures tables that are offered. */
@org.jspecify.annotations.NullMarked
package org.mapsel.bench.offered;
