/**
 * Documents as located tokens. Every limit on size, depth and expansion is here.
 *
 * <p>In: bytes of unknown origin. Out: a cursor whose every token has a place. Never resolves
 * anything outside the bytes it was given.
 */
@NullMarked
package org.mapsel.core.document;

import org.jspecify.annotations.NullMarked;
