package org.mapsel.standins.catalogue;

import java.util.List;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The catalogue at its well-known place (RFC 9727, section 2), as a linkset (RFC 9264). */
@RestController
class CatalogueController {

  static final String LINKSET = "application/linkset+json";

  /** A link and the words for it. */
  record Link(String href, String title) {}

  @GetMapping(
      path = "/.well-known/api-catalog",
      produces = {LINKSET, MediaType.APPLICATION_JSON_VALUE})
  Map<String, Object> catalogue() {
    return Map.of(
        "linkset",
        List.of(
            service("/berthing", "Berthing", "/berthing/berthing.wsdl"),
            service("/yard", "Yard cranes", "/yard/$metadata"),
            service("/yard2", "Yard cranes as before", "/yard2/$metadata"),
            service("/tides", "Tides", "/tides/openapi.json")));
  }

  private static Map<String, Object> service(String anchor, String name, String description) {
    return Map.of("anchor", anchor, "service-desc", List.of(new Link(description, name)));
  }
}
