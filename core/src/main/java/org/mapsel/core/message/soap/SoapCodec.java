package org.mapsel.core.message.soap;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.AccessHeaders;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/** SOAP over HTTP: the envelope and the headers that go with it. */
public final class SoapCodec implements Codec {

  @Override
  public Outcome<Request> write(
      Service service,
      Operation operation,
      OperationWire wire,
      RecordValue values,
      Access access,
      Stamp stamp) {
    OperationWire.Soap soap = (OperationWire.Soap) wire;
    Findings findings = new Findings();
    String address = service.findEndpoint(wire.endpoint()).map(Endpoint::address).orElse("");
    byte[] body =
        new EnvelopeWriter(service.shapes(), findings)
            .write(operation, soap, values, HeaderBlocks.of(soap, address, access, stamp));
    if (findings.hasErrors()) {
      return Outcome.failed(findings.toList());
    }
    List<Header> headers = headers(soap);
    headers.addAll(AccessHeaders.of(access));
    return Outcome.of(
        new Request("POST", AccessHeaders.address(address, access), headers, body),
        findings.toList());
  }

  /** SOAP 1.1, section 6.1.1; SOAP 1.2 part 2, section 7.1.4 and RFC 3902. */
  private static List<Header> headers(OperationWire.Soap soap) {
    List<Header> headers = new ArrayList<>();
    if (Soap.is11(soap.protocol())) {
      headers.add(
          new Header(
              "Content-Type", "text/xml; charset=utf-8", "SOAP 1.1 messages travel as text/xml"));
      headers.add(
          new Header(
              "SOAPAction",
              "\"" + soap.action() + "\"",
              soap.action().isEmpty()
                  ? "SOAP 1.1 wants this header even when the description names no action"
                  : "the action that the description names for this operation"));
    } else {
      headers.add(
          new Header(
              "Content-Type",
              "application/soap+xml; charset=utf-8"
                  + (soap.action().isEmpty() ? "" : "; action=\"" + soap.action() + "\""),
              "SOAP 1.2 has a media type of its own and names the action inside it"));
    }
    headers.add(
        new Header(
            "Accept",
            Soap.is11(soap.protocol())
                ? "text/xml, multipart/related"
                : "application/soap+xml, multipart/related",
            "the answer is wanted in the protocol of the request"));
    return headers;
  }

  @Override
  public Outcome<Answer> read(
      Service service,
      Operation operation,
      OperationWire wire,
      Response response,
      Set<FieldPath> wanted) {
    return new EnvelopeReader(service, operation, (OperationWire.Soap) wire).read(response, wanted);
  }
}
