package org.mapsel.core.service;

import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;

/** A failure that an operation announces, and the shape of its detail. */
public record Fault(String name, Name element, ShapeId detail) {}
