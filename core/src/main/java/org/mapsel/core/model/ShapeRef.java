package org.mapsel.core.model;

import org.mapsel.core.ref.ShapeId;

/**
 * A shape of one service.
 *
 * @param service the service's id in the workspace
 */
public record ShapeRef(String service, ShapeId shape) {}
