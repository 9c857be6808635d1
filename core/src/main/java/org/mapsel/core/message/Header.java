package org.mapsel.core.message;

/** A header of a request, and why it is sent. */
public record Header(String name, String value, String reason) {}
