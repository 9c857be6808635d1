/**
 * Names to point with: shapes, operations, endpoints, parts, fields and places in documents.
 *
 * <p>In: plain text. Out: small comparable records. Knows nothing of what the names stand for.
 */
@NullMarked
package org.mapsel.core.ref;

import org.jspecify.annotations.NullMarked;
