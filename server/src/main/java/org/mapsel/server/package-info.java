/** The server around the core: API, storage, outgoing HTTP. */
@NullMarked
package org.mapsel.server;

import org.jspecify.annotations.NullMarked;
