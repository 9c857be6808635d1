package org.mapsel.core.value;

/** Text of any kind. */
public record TextValue(String text) implements Value {}
