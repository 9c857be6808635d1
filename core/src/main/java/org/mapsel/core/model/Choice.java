package org.mapsel.core.model;

/** A code and the words that people read for it. */
public record Choice(String code, String words) {}
