package org.mapsel.server.samples;

import java.util.Optional;
import org.mapsel.core.service.Service;

/** The editions of services that samples are taken with. */
public interface KnownEditions {

  /** The edition that a service is; nothing if it is none that is kept. */
  Optional<String> idOf(Service service);

  /** A service as an edition describes it. */
  Optional<Service> service(String edition);
}
