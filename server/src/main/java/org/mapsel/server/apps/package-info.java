/** Apps, kept as revisions. */
@NullMarked
package org.mapsel.server.apps;

import org.jspecify.annotations.NullMarked;
