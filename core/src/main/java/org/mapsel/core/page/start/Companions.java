package org.mapsel.core.page.start;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;

/**
 * What can be done with the things that a list is of, as far as their addresses tell.
 *
 * @param inside the lists that belong to one of the things
 */
record Companions(
    Optional<Operation> read,
    Optional<Operation> change,
    Optional<Operation> create,
    Optional<Operation> delete,
    List<Operation> inside) {

  /** More lists than these would bury the thing itself. */
  private static final int MOST_INSIDE = 2;

  private record Address(String method, String path) {

    private static Optional<Address> of(Operation operation) {
      return operation.wires().stream()
          .flatMap(
              wire ->
                  switch (wire) {
                    case OperationWire.Entities entities ->
                        Stream.of(new Address(entities.method(), entities.path()));
                    case OperationWire.Rest rest ->
                        Stream.of(new Address(rest.method(), rest.path()));
                    default -> Stream.<Address>empty();
                  })
          .findFirst();
    }

    /** Whether it is of one of the things at a path: its key stands in braces or brackets. */
    private boolean isOneOf(String list) {
      return path.length() > list.length()
          && path.startsWith(list)
          && rest(list).matches("(/\\{[^/{}]+}|\\([^()/]*\\))");
    }

    private boolean isInsideOneOf(String list) {
      return path.startsWith(list) && rest(list).matches("(/\\{[^/{}]+}|\\([^()/]*\\))/[^/({]+");
    }

    private String rest(String list) {
      return path.substring(list.length());
    }
  }

  static Companions of(Service service, Operation list) {
    Optional<Address> at = Address.of(list);
    if (at.isEmpty() || !at.get().method().equals("GET")) {
      return new Companions(
          Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), List.of());
    }
    String path = at.get().path();
    return new Companions(
        one(service, path, "GET"),
        one(service, path, "PATCH")
            .or(() -> one(service, path, "MERGE"))
            .or(() -> one(service, path, "PUT")),
        find(service, address -> address.method().equals("POST") && address.path().equals(path)),
        one(service, path, "DELETE"),
        service.operations().stream()
            .filter(
                operation ->
                    Address.of(operation)
                        .filter(one -> one.method().equals("GET") && one.isInsideOneOf(path))
                        .isPresent())
            .filter(operation -> !PageStarter.rowsOf(service, operation).isRoot())
            .limit(MOST_INSIDE)
            .toList());
  }

  private static Optional<Operation> one(Service service, String list, String method) {
    return find(service, address -> address.method().equals(method) && address.isOneOf(list));
  }

  private static Optional<Operation> find(Service service, Predicate<Address> fits) {
    return service.operations().stream()
        .filter(operation -> Address.of(operation).filter(fits).isPresent())
        .findFirst();
  }
}
