/** Values of the core as JSON. */
@NullMarked
package org.mapsel.server.values;

import org.jspecify.annotations.NullMarked;
