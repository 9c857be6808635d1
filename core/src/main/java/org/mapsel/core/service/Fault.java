package org.mapsel.core.service;

import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;

/**
 * A failure that an operation announces, and the shape of its detail.
 *
 * @param element the element around the detail, where there is one
 */
public record Fault(String name, Optional<Name> element, ShapeId detail) {}
