/**
 * What every description reader shares: the source text and the way to ask for other documents.
 *
 * <p>The readers themselves live in one subpackage per format and do not know each other.
 */
@NullMarked
package org.mapsel.core.read;

import org.jspecify.annotations.NullMarked;
