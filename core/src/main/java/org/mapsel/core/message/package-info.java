/**
 * Requests and responses as they go over the wire, free of any HTTP client, and the codec that each
 * protocol registers.
 */
@NullMarked
package org.mapsel.core.message;

import org.jspecify.annotations.NullMarked;
