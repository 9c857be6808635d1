/**
 * Declarations to a service with shapes, in named steps: register, resolve, flatten, check.
 *
 * <p>The only place that builds services and shapes from declarations.
 */
@NullMarked
package org.mapsel.core.link;

import org.jspecify.annotations.NullMarked;
