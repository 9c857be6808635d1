package org.mapsel.server.apps;

import java.util.Optional;
import org.mapsel.core.page.ServiceLookup;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.Value;
import org.mapsel.server.samples.LastSamples;
import org.mapsel.server.services.Editions;
import org.mapsel.server.services.Workspace;
import org.springframework.stereotype.Component;

/** The services of the workspace as pages see them: in editions, with what was answered last. */
@Component
public class PinnedServices implements ServiceLookup {

  private final Editions editions;
  private final Workspace workspace;
  private final LastSamples samples;

  PinnedServices(Editions editions, Workspace workspace, LastSamples samples) {
    this.editions = editions;
    this.workspace = workspace;
    this.samples = samples;
  }

  @Override
  public Optional<Service> find(String edition) {
    return editions.find(edition).map(Editions.Edition::service);
  }

  @Override
  public Value answered(String service, OperationId operation) {
    return samples.lastAnswer(service, operation);
  }

  @Override
  public Optional<String> newest(String service) {
    return workspace.newestEdition(service);
  }

  @Override
  public long answers() {
    return samples.lastRecordedAt();
  }
}
