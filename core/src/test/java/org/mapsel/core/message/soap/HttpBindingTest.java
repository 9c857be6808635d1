package org.mapsel.core.message.soap;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.mapsel.core.call.Caller;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;

/** The HTTP binding of WSDL 1.1 with a part that is an element, and bodies that come with parts. */
class HttpBindingTest {

  private final Service service = Descriptions.service("/descriptions/finding.wsdl");

  private Request at(String endpoint) {
    Operation operation =
        service.operations().stream()
            .filter(one -> one.wire(new EndpointId(endpoint)).isPresent())
            .filter(one -> one.name().equals("Find"))
            .findFirst()
            .orElseThrow();
    return Caller.request(
            service,
            operation,
            new EndpointId(endpoint),
            SampleMaker.make(service.shapes(), operation.input(), SampleMaker.Extent.EVERYTHING),
            Access.NONE,
            new Stamp(Instant.EPOCH, "test", new byte[0]))
        .get();
  }

  @Test
  void whatStandsInTheElementAreTheParameters() {
    assertThat(at("G").address()).endsWith("/g/find/code%201");
    assertThat(at("G2").address()).endsWith("/g2/find?code=code+1&day=2031-05-14");
    assertThat(new String(at("PO").body(), StandardCharsets.UTF_8))
        .isEqualTo("code=code+1&day=2031-05-14");
  }

  @Test
  void aPartOfTheBodyDoesNotTravelBesideItAsWell() {
    assertThat(new String(at("M").body(), StandardCharsets.UTF_8))
        .contains("<soap:Body><Find xmlns=\"urn:saltmere:finding\"><code>code 1</code>");
  }

  @Test
  void aHeaderGivenByATypeIsSentUnderItsPartsName() {
    assertThat(new String(at("S").body(), StandardCharsets.UTF_8))
        .contains("<soap:Header><who>who 1</who></soap:Header>");
  }
}
