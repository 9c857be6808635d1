package org.mapsel.core.page;

import java.util.Optional;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.Value;

/** Finds what pages are built from. */
@FunctionalInterface
public interface ServiceLookup {

  /** The service that an edition describes. */
  Optional<Service> find(String edition);

  /**
   * What an operation answered last; absent if nothing is known of that.
   *
   * @param service the service's id in the workspace
   */
  default Value answered(String service, OperationId operation) {
    return Value.ABSENT;
  }
}
