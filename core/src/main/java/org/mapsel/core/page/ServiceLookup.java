package org.mapsel.core.page;

import java.util.Optional;
import org.mapsel.core.service.Service;

/** Finds the service that an edition describes. */
@FunctionalInterface
public interface ServiceLookup {

  Optional<Service> find(String edition);
}
