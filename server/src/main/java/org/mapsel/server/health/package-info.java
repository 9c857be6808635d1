/** How the services did lately that pages call. */
@NullMarked
package org.mapsel.server.health;

import org.jspecify.annotations.NullMarked;
