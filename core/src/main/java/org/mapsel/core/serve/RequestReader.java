package org.mapsel.core.serve;

import java.util.Optional;
import org.mapsel.core.service.Service;

/** Reads requests back as the service itself would read them. Safe for many threads. */
public final class RequestReader {

  private final Endpoints endpoints;

  public RequestReader(Service service) {
    this.endpoints =
        new Endpoints(
            service,
            (question, asked) -> {
              throw new IllegalStateException("nothing is answered");
            });
  }

  /**
   * Reads a request.
   *
   * @return nothing if it is for no operation of the service that is spoken here, or cannot be
   *     understood
   */
  public Optional<ReadRequest> read(IncomingRequest request) {
    return endpoints.read(request);
  }
}
