package org.mapsel.core.serve;

import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/**
 * What a request asks for, read back as the service itself would read it.
 *
 * @param parameters as far as they stand in the request; secrets are not among them
 */
public record ReadRequest(OperationId operation, EndpointId endpoint, RecordValue parameters) {

  /**
   * Reads a request.
   *
   * @return nothing if it is for no operation of the service that is spoken here, or cannot be
   *     understood
   */
  public static Optional<ReadRequest> of(Service service, IncomingRequest request) {
    Endpoints endpoints =
        new Endpoints(
            service,
            (question, asked) -> {
              throw new IllegalStateException("nothing is answered");
            });
    return endpoints.read(request);
  }
}
