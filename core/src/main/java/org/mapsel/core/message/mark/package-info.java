/** Finds the characters of a message that a value was read from, and the value of characters. */
@NullMarked
package org.mapsel.core.message.mark;

import org.jspecify.annotations.NullMarked;
