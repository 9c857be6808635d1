package org.mapsel.core.table;

import java.util.List;
import java.util.Optional;

/** Tables that are offered together, as one service. */
public record TableOffer(String name, List<OfferedTable> tables) {

  /** The table of a name. */
  public Optional<OfferedTable> find(String table) {
    return tables.stream().filter(one -> one.name().equals(table)).findFirst();
  }
}
