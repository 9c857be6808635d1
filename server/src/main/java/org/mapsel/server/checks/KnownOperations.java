package org.mapsel.server.checks;

import java.util.Optional;
import java.util.Set;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;
import org.mapsel.server.samples.Asker;
import org.mapsel.server.samples.Recorder;
import org.mapsel.server.samples.SampleStore;
import org.mapsel.server.samples.Simulation;
import org.mapsel.server.services.Editions;
import org.mapsel.server.services.Workspace;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/** Operations of the newest editions of the workspace's services. */
@Component
class KnownOperations {

  private final Workspace workspace;
  private final Editions editions;

  KnownOperations(Workspace workspace, Editions editions) {
    this.workspace = workspace;
    this.editions = editions;
  }

  /** An operation, and where it is asked. */
  record Known(
      String id, Service service, Operation operation, EndpointId endpoint, String edition) {

    /** What was asked and answered in this edition. */
    SampleStore.Kept answered(JsonNode parameters, JsonNode answer) {
      return SampleStore.Kept.answered(parameters, answer, Optional.of(edition));
    }

    /** What was asked and failed, likewise. */
    SampleStore.Kept failed(JsonNode parameters, SampleStore.Failure failure) {
      return SampleStore.Kept.failed(parameters, failure, Optional.of(edition));
    }

    /** A call of it whose whole answer is wanted. */
    Recorder.Wanted wanted(RecordValue parameters) {
      return wanted(parameters, Optional.empty());
    }

    /**
     * The same in an environment.
     *
     * @param environment the one that builders call if nothing is said
     */
    Recorder.Wanted wanted(RecordValue parameters, Optional<String> environment) {
      return new Recorder.Wanted(
          id,
          service,
          operation,
          endpoint,
          parameters,
          Set.of(),
          environment,
          Simulation.NONE,
          Asker.BUILDER);
    }
  }

  /**
   * Finds one.
   *
   * @throws Problem if it is not there
   */
  Known get(String service, String operation) {
    String edition =
        workspace
            .newestEdition(service)
            .orElseThrow(() -> Problem.missing("SERVER_SERVICE_MISSING", "service", service));
    Service described = editions.get(edition).service();
    Operation known =
        described
            .findOperation(new OperationId(operation))
            .orElseThrow(() -> Problem.missing("SERVER_OPERATION_MISSING", "operation", operation));
    return new Known(service, described, known, workspace.endpointOf(service), edition);
  }
}
