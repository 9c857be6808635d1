/** What differs between two editions of a service, and how much harm that does. */
@NullMarked
package org.mapsel.core.drift;

import org.jspecify.annotations.NullMarked;
