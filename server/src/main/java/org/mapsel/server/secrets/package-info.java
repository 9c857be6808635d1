/** How endpoints are reached: kept encrypted, used by calls, never told to anybody. */
@NullMarked
package org.mapsel.server.secrets;

import org.jspecify.annotations.NullMarked;
