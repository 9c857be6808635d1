package org.mapsel.core.intake;

/** What a source turned out to be. */
public sealed interface Found permits Description, Catalogue {}
