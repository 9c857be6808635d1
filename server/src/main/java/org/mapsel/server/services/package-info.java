/** Descriptions, services and their operations. */
@NullMarked
package org.mapsel.server.services;

import org.jspecify.annotations.NullMarked;
