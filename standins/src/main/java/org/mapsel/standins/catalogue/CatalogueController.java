package org.mapsel.standins.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.server.ResponseStatusException;

/**
 * The catalogue at its well-known place (RFC 9727, section 2), as a linkset (RFC 9264): the
 * stand-ins among hundreds of services that nobody needs, so that finding one is real work.
 */
@RestController
class CatalogueController {

  static final String LINKSET = "application/linkset+json";

  private static final List<String> PLACES =
      List.of(
          "Lamp store",
          "Rope walk",
          "Sail loft",
          "Slipway",
          "Ice house",
          "Net store",
          "Chandlery",
          "Signal mast",
          "Ferry stairs",
          "Coal pier",
          "Fish market",
          "Dry dock",
          "Customs shed",
          "Weigh house",
          "Boat shelter",
          "Dredger berth",
          "Pump house",
          "Oyster beds",
          "Salt pans",
          "Breakwater");
  private static final List<String> MATTERS =
      List.of(
          "rota",
          "keys",
          "ledger",
          "repairs",
          "permits",
          "stock",
          "fees",
          "visits",
          "readings",
          "notices",
          "claims",
          "deliveries",
          "inspections",
          "lettings",
          "complaints");

  /** A link and the words for it. */
  record Link(String href, String title) {}

  /** A service and where its description is. */
  record Service(String anchor, @JsonProperty("service-desc") List<Link> descriptions) {

    Service(String anchor, String name, String description) {
      this(anchor, List.of(new Link(description, name)));
    }

    private String name() {
      return descriptions.getFirst().title();
    }
  }

  @GetMapping(
      path = "/.well-known/api-catalog",
      produces = {LINKSET, MediaType.APPLICATION_JSON_VALUE})
  Map<String, Object> catalogue() {
    Stream<Service> known =
        Stream.of(
            new Service("/berthing", "Berthing", "/berthing/berthing.wsdl"),
            new Service("/yard", "Yard cranes", "/yard/$metadata"),
            new Service("/yard2", "Yard cranes as before", "/yard2/$metadata"),
            new Service("/tides", "Tides", "/tides/openapi.json"),
            new Service("/declarations", "Declarations", "/declarations/openapi.json"));
    Stream<Service> others =
        IntStream.range(0, PLACES.size() * MATTERS.size())
            .mapToObj(
                number ->
                    new Service(
                        "/other/" + number, name(number), "/other/" + number + "/openapi.json"));
    return Map.of(
        "linkset",
        Stream.concat(known, others).sorted(Comparator.comparing(Service::name)).toList());
  }

  private static String name(int number) {
    return PLACES.get(number / MATTERS.size()) + " " + MATTERS.get(number % MATTERS.size());
  }

  /** They have a description, and nothing behind it. */
  @GetMapping(path = "/other/{number}/openapi.json", produces = MediaType.APPLICATION_JSON_VALUE)
  Map<String, Object> other(@PathVariable int number) {
    if (number < 0 || number >= PLACES.size() * MATTERS.size()) {
      throw new ResponseStatusException(HttpStatus.NOT_FOUND, "No service has this number.");
    }
    Map<String, Object> answer =
        Map.of(
            "description",
            "All of it.",
            "content",
            Map.of("text/plain", Map.of("schema", Map.of("type", "string"))));
    return Map.of(
        "openapi",
        "3.1.0",
        "info",
        Map.of("title", name(number), "version", "1"),
        "paths",
        Map.of(
            "/other/" + number,
            Map.of("get", Map.of("operationId", "readAll", "responses", Map.of("200", answer)))));
  }
}
