package org.mapsel.core.page;

import java.util.Optional;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.sample.SeenFields;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.Value;

/** Finds what pages are built from. */
@FunctionalInterface
public interface ServiceLookup {

  /** The service that an edition describes; the same object as long as nothing changes. */
  Optional<Service> find(String edition);

  /**
   * What an operation answered last; absent if nothing is known of that.
   *
   * @param service the service's id in the workspace
   */
  default Value answered(String service, OperationId operation) {
    return Value.ABSENT;
  }

  /** The edition of a service that was read last; nothing if nobody knows. */
  default Optional<String> newest(String service) {
    return Optional.empty();
  }

  /** Differs from one time to another if something was answered in between. */
  default long answers() {
    return 0;
  }

  /**
   * Whether what a page calls is known to the last, so that no answer can tell more of it: each
   * operation is there, and its description leaves nothing open.
   */
  default boolean isSettled(App app, Page page) {
    return page.calls().stream()
        .allMatch(
            call ->
                app.edition(call.service())
                    .flatMap(this::find)
                    .filter(
                        service ->
                            service
                                .findOperation(call.operation())
                                .filter(one -> !SeenFields.mayTell(service, one))
                                .isPresent())
                    .isPresent());
  }

  /** An operation of the edition that an app is pinned to. */
  record Pinned(Service service, Operation operation) {}

  /**
   * The operation of a call with what its last answer tells of what the description leaves open;
   * nothing if the service, its edition or the operation is not there.
   */
  default Optional<Pinned> pinned(App app, String service, OperationId operation) {
    return app.edition(service)
        .flatMap(this::find)
        .flatMap(
            known ->
                known
                    .findOperation(operation)
                    .map(
                        one -> {
                          Service seen =
                              SeenFields.mayTell(known, one)
                                  ? SeenFields.in(known, one, answered(service, operation))
                                  : known;
                          return new Pinned(seen, seen.getOperation(operation));
                        }));
  }
}
