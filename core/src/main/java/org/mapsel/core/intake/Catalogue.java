package org.mapsel.core.intake;

import java.util.List;
import org.mapsel.core.read.catalogue.CatalogueEntry;

/**
 * A list of services to pick from. Nothing that it leads to has been read.
 *
 * @param address where the list was found
 */
public record Catalogue(String address, List<CatalogueEntry> entries) implements Found {

  public Catalogue {
    entries = List.copyOf(entries);
  }
}
