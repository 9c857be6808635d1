/**
 * Values as JSON messages, as their shapes describe them.
 *
 * <p>In: a value and its shape, or the bytes of a message. Out: those bytes, or the value with only
 * the wanted fields in it, read in one pass.
 */
@NullMarked
package org.mapsel.core.message.json;

import org.jspecify.annotations.NullMarked;
