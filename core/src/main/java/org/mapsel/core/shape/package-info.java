/**
 * Shapes: the types of values, the same for every description format.
 *
 * <p>A field points at its shape by {@link org.mapsel.core.ref.ShapeId}, so recursion needs no
 * cycles of objects. How a field looks on the wire is its {@link org.mapsel.core.shape.Wire}.
 */
@NullMarked
package org.mapsel.core.shape;

import org.jspecify.annotations.NullMarked;
