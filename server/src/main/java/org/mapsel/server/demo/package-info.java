/** The demo app. */
@NullMarked
package org.mapsel.server.demo;

import org.jspecify.annotations.NullMarked;
