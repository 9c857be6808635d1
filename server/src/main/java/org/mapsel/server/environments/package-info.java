/**
 * Where services are called: as described, or at addresses of their own with an access of their
 * own.
 */
@NullMarked
package org.mapsel.server.environments;

import org.jspecify.annotations.NullMarked;
