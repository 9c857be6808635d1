package org.mapsel.server.health;

import org.mapsel.server.health.HealthViews.HealthView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** How the services did lately. */
@RestController
class HealthController {

  private final Health health;

  HealthController(Health health) {
    this.health = health;
  }

  @GetMapping("/api/health")
  HealthView lately() {
    return health.lately();
  }
}
