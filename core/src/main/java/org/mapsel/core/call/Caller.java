package org.mapsel.core.call;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.soap.SoapCodec;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/** Calls operations: writes the message, sends it, reads what comes back. */
public final class Caller {

  private final Exchanger exchanger;

  public Caller(Exchanger exchanger) {
    this.exchanger = exchanger;
  }

  /** The codec of each family of protocols; a new family is a new line here. */
  private static Codec codec(OperationWire wire) {
    return switch (wire) {
      case OperationWire.Soap soap -> new SoapCodec();
    };
  }

  /** The request that a call would send. */
  public static Outcome<Request> request(
      Service service, Operation operation, EndpointId endpoint, RecordValue parameters) {
    Optional<OperationWire> wire = operation.wire(endpoint);
    if (wire.isEmpty()) {
      return Outcome.failed(
          Finding.error(
              "CALL_ENDPOINT_MISSING", "operation", operation.name(), "endpoint", endpoint.text()));
    }
    return codec(wire.get()).write(service, operation, wire.get(), parameters);
  }

  /**
   * Runs one call from end to end.
   *
   * @param wanted the returned fields to keep; none keeps everything
   */
  public CallResult call(
      Service service,
      Operation operation,
      EndpointId endpoint,
      RecordValue parameters,
      Set<FieldPath> wanted) {
    Outcome<Request> request = request(service, operation, endpoint, parameters);
    if (request.value().isEmpty()) {
      return new CallResult(Optional.empty(), Optional.empty(), request.findings());
    }
    Exchange exchange = exchanger.send(request.get());
    List<Finding> findings = new ArrayList<>(request.findings());
    exchange.failure().ifPresent(findings::add);
    Optional<Answer> answer =
        exchange
            .response()
            .flatMap(
                response -> {
                  OperationWire wire = operation.wire(endpoint).orElseThrow();
                  Outcome<Answer> read =
                      codec(wire).read(service, operation, wire, response, wanted);
                  findings.addAll(read.findings());
                  return read.value();
                });
    return new CallResult(Optional.of(exchange), answer, findings);
  }
}
