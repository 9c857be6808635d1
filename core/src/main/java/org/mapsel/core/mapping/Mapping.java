package org.mapsel.core.mapping;

/** One line: where a value goes and where it is taken from. */
public record Mapping(Target target, Source source) {}
