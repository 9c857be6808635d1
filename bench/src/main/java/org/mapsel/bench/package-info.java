/** Benchmarks of the core, each beside a bare pass of the same parser over the same bytes. */
package org.mapsel.bench;
