/** Samples by their names, and checks that services still do what they did. */
@NullMarked
package org.mapsel.server.checks;

import org.jspecify.annotations.NullMarked;
