/**
 * The port to the outside: send a request, get a response, keep a record of both.
 *
 * <p>The HTTP client behind it lives in the server.
 */
@NullMarked
package org.mapsel.core.exchange;

import org.jspecify.annotations.NullMarked;
