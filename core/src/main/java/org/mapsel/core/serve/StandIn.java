package org.mapsel.core.serve;

import java.net.URI;
import java.util.List;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Service;

/**
 * A service that is played from its description: it understands what is asked over each of its
 * protocols, refuses what the description does not let pass, remembers what is created, changed and
 * deleted, and answers with what was recorded or with made-up values. Safe for many threads.
 */
public final class StandIn {

  private final Endpoints endpoints;

  public StandIn(Service service, Recorded recorded) {
    Answers answers = new Answers(service.shapes(), recorded);
    Memory memory = new Memory(service, answers);
    this.endpoints =
        new Endpoints(
            service,
            (question, asked) ->
                memory
                    .answer(question, asked)
                    .orElseGet(() -> answers.of(question.operation(), question.parameters())));
  }

  /**
   * The path of an endpoint's address, without a slash at its end; of an address that has none,
   * that of a queue say, the endpoint's own id.
   */
  public static String path(Endpoint endpoint) {
    try {
      URI address = URI.create(endpoint.address());
      return address.isOpaque()
          ? "/" + endpoint.id().text()
          : address.getRawPath().replaceFirst("/$", "");
    } catch (IllegalArgumentException e) {
      // Descriptions hold placeholders where an address should be.
      return "";
    }
  }

  /** The endpoints that are played. */
  public List<EndpointId> endpoints() {
    return endpoints.ids();
  }

  /** Answers a request; never throws for what is in it. */
  public Served answer(IncomingRequest asked) {
    return endpoints.answer(asked);
  }
}
