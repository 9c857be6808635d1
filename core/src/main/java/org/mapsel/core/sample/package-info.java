/**
 * Values made from shapes, plausible and always the same, so that pages show something before the
 * first call.
 */
@NullMarked
package org.mapsel.core.sample;

import org.jspecify.annotations.NullMarked;
