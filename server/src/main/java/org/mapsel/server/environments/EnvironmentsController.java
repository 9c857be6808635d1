package org.mapsel.server.environments;

import org.mapsel.server.environments.EnvironmentViews.BuildingEnvironment;
import org.mapsel.server.environments.EnvironmentViews.EnvironmentAddresses;
import org.mapsel.server.environments.EnvironmentViews.EnvironmentsView;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The environments of services. */
@RestController
@RequestMapping("/api/services/{service}")
class EnvironmentsController {

  private final Environments environments;

  EnvironmentsController(Environments environments) {
    this.environments = environments;
  }

  @GetMapping("/environments")
  EnvironmentsView all(@PathVariable String service) {
    return environments.view(service);
  }

  @PutMapping("/environments/{environment}")
  EnvironmentsView put(
      @PathVariable String service,
      @PathVariable String environment,
      @RequestBody EnvironmentAddresses body) {
    return environments.put(service, environment, body.addresses());
  }

  @DeleteMapping("/environments/{environment}")
  EnvironmentsView remove(@PathVariable String service, @PathVariable String environment) {
    return environments.remove(service, environment);
  }

  @PutMapping("/building-environment")
  EnvironmentsView build(@PathVariable String service, @RequestBody BuildingEnvironment body) {
    return environments.build(service, body.name());
  }
}
