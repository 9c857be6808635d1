/**
 * OData 2.0 to 4.01: addresses with typed literals, queries built from fields and comparisons, JSON
 * and Atom payloads.
 */
@NullMarked
package org.mapsel.core.message.odata;

import org.jspecify.annotations.NullMarked;
