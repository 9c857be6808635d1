/**
 * Conversions between simple types, one small class each: a value goes in, a value of another type
 * comes out, and each says whether that can fail or lose something.
 */
@NullMarked
package org.mapsel.core.convert;

import org.jspecify.annotations.NullMarked;
