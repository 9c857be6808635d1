package org.mapsel.core.page.start;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.mapsel.core.service.Address;
import org.mapsel.core.service.Operation;
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

  /**
   * @param addressable whether all that the address of an operation on one of the things needs is
   *     known
   */
  static Companions of(Service service, Operation list, Predicate<Operation> addressable) {
    Optional<Address> at = Address.of(list);
    if (at.isEmpty() || !at.get().method().equals("GET")) {
      return new Companions(
          Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), List.of());
    }
    String path = at.get().path();
    return new Companions(
        one(service, path, "GET").filter(addressable),
        one(service, path, "PATCH")
            .or(() -> one(service, path, "MERGE"))
            .or(() -> one(service, path, "PUT"))
            .filter(addressable),
        find(service, address -> address.method().equals("POST") && address.path().equals(path)),
        one(service, path, "DELETE").filter(addressable),
        service.operations().stream()
            .filter(
                operation ->
                    Address.of(operation)
                        .filter(one -> one.method().equals("GET") && one.isInsideOneOf(path))
                        .isPresent())
            .filter(addressable)
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
