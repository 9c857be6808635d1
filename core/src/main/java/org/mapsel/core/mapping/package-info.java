/**
 * Mappings: what fills a slot. Each is checked against the types at both ends and prepared once;
 * then values are only read.
 *
 * <p>In: sources and what is known of the types in reach. Out: a plan, and the values of its slots.
 * Knows no pages: what a source points to is asked of a scope.
 */
@NullMarked
package org.mapsel.core.mapping;

import org.jspecify.annotations.NullMarked;
