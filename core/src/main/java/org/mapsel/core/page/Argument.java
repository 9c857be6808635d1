package org.mapsel.core.page;

import java.util.Optional;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.shape.ScalarType;

/**
 * What a page is opened with.
 *
 * @param record the shape of it, if it is a record
 * @param scalar its type, if it is none
 */
public record Argument(String name, Optional<ShapeRef> record, ScalarType scalar) {}
