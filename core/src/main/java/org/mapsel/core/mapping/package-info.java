/**
 * Mappings: one line each, a source and a target, checked on both sides and applied with a trace.
 */
@NullMarked
package org.mapsel.core.mapping;

import org.jspecify.annotations.NullMarked;
