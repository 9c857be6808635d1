/** Samples of what operations are asked and answer, and checks that they still do. */
@NullMarked
package org.mapsel.core.verify;

import org.jspecify.annotations.NullMarked;
