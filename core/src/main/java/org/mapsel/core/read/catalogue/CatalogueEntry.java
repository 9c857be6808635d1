package org.mapsel.core.read.catalogue;

/**
 * One service in a catalogue.
 *
 * @param name as the catalogue calls it; never blank
 * @param address where its description is found
 * @param documentation what the catalogue says about it; empty if nothing
 */
public record CatalogueEntry(String name, String address, String documentation) {}
