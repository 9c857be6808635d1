package org.mapsel.core.service;

import java.util.Optional;

/**
 * How an operation over plain HTTP or of an entity set is addressed.
 *
 * @param path with {@code {name}} for each value in it
 */
public record Address(String method, String path) {

  /** The address of an operation; nothing if its protocol has none of its own. */
  public static Optional<Address> of(Operation operation) {
    return operation.wires().stream().flatMap(wire -> of(wire).stream()).findFirst();
  }

  /** The address of an operation at one endpoint. */
  public static Optional<Address> of(OperationWire wire) {
    return switch (wire) {
      case OperationWire.Entities entities ->
          Optional.of(new Address(entities.method(), entities.path()));
      case OperationWire.Rest rest -> Optional.of(new Address(rest.method(), rest.path()));
      case OperationWire.Soap soap -> Optional.empty();
      case OperationWire.Http http -> Optional.empty();
    };
  }

  /** Whether it is of one of the things at a path: its key stands in braces or brackets. */
  public boolean isOneOf(String list) {
    return path.length() > list.length()
        && path.startsWith(list)
        && rest(list).matches("(/\\{[^/{}]+}|\\([^()/]*\\))");
  }

  /** Whether it is of something inside one of the things at a path. */
  public boolean isInsideOneOf(String list) {
    return path.startsWith(list) && rest(list).matches("(/\\{[^/{}]+}|\\([^()/]*\\))/[^/({]+");
  }

  private String rest(String list) {
    return path.substring(list.length());
  }
}
