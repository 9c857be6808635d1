/**
 * OData's Common Schema Definition Language, as XML in every version and as JSON.
 *
 * <p>In: a metadata document and the ones it refers to. Out: an entity model, and the data types of
 * its entities with the hints that annotations give.
 */
@NullMarked
package org.mapsel.core.read.odata;

import org.jspecify.annotations.NullMarked;
