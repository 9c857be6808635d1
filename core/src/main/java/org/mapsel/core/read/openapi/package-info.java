/**
 * OpenAPI 3.0 to 3.2 and Swagger 2.0, with the JSON Schema of each.
 *
 * <p>In: a document and the ones it points into. Out: HTTP operations and data types with
 * unresolved names. Never merges, resolves or judges types.
 */
@NullMarked
package org.mapsel.core.read.openapi;

import org.jspecify.annotations.NullMarked;
