package org.mapsel.core.document;

/** An attribute of an element; the namespace is empty where there is none. */
public record XmlAttribute(String namespace, String local, String value) {}
