package org.mapsel.core.table;

import java.util.Locale;

/** What can be asked of a table. */
public enum OfferAction {
  READ,
  LIST,
  CREATE,
  CHANGE,
  DELETE;

  /** Whether it is offered of a table. */
  public boolean isOffered(OfferedTable table) {
    return switch (this) {
      case READ, LIST -> true;
      case CREATE -> table.may(OfferedTable.Change.CREATE);
      case CHANGE -> table.may(OfferedTable.Change.CHANGE);
      case DELETE -> table.may(OfferedTable.Change.DELETE);
    };
  }

  /** The name of its operation: {@code ReadBerth}, {@code ListBerths}. */
  public String name(OfferedTable table) {
    String verb = name().charAt(0) + name().substring(1).toLowerCase(Locale.ROOT);
    return verb + (this == LIST ? table.several() : table.name());
  }

  /** What it does, in a sentence. */
  String words(OfferedTable table) {
    return switch (this) {
      case READ -> "One of the " + table.several() + ", by its key.";
      case LIST -> "Those of the " + table.several() + " that are asked for, page by page.";
      case CREATE -> "Adds a " + table.name() + ".";
      case CHANGE ->
          "Changes a "
              + table.name()
              + "; what is not given stays. With a version, only if it is still that one.";
      case DELETE ->
          "Takes a " + table.name() + " away. With a version, only if it is still that one.";
    };
  }
}
