package org.mapsel.server.secrets;

import org.mapsel.core.ref.EndpointId;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How an endpoint is reached; secrets come in and never go out. */
@RestController
@RequestMapping("/api/services/{service}/endpoints/{endpoint}/access")
class AccessController {

  private final Accesses accesses;

  AccessController(Accesses accesses) {
    this.accesses = accesses;
  }

  @GetMapping
  AccessForm get(
      @PathVariable String service,
      @PathVariable String endpoint,
      @RequestParam(defaultValue = "") String environment) {
    return accesses.shown(new Accesses.Reached(service, new EndpointId(endpoint), environment));
  }

  @PutMapping
  AccessForm put(
      @PathVariable String service,
      @PathVariable String endpoint,
      @RequestParam(defaultValue = "") String environment,
      @RequestBody AccessForm form) {
    return accesses.put(new Accesses.Reached(service, new EndpointId(endpoint), environment), form);
  }
}
