/** A service as Mapsel knows it: endpoints, operations and how each goes on the wire. */
@NullMarked
package org.mapsel.core.service;

import org.jspecify.annotations.NullMarked;
