package org.mapsel.core.call;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Answer;
import org.mapsel.core.message.AnswerPart;
import org.mapsel.core.message.Codec;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.message.http.HttpCodec;
import org.mapsel.core.message.odata.EntityCodec;
import org.mapsel.core.message.soap.HttpBindingCodec;
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
  private final AccessTokens tokens;
  private final Supplier<Stamp> stamps;

  public Caller(Exchanger exchanger, Supplier<Stamp> stamps) {
    this.exchanger = exchanger;
    this.tokens = new AccessTokens(exchanger, () -> stamps.get().now());
    this.stamps = stamps;
  }

  /** The codec of each family of protocols; a new family is a new line here. */
  private static Codec codec(OperationWire wire) {
    return switch (wire) {
      case OperationWire.Soap soap -> new SoapCodec();
      case OperationWire.Http http -> new HttpBindingCodec();
      case OperationWire.Rest rest -> new HttpCodec();
      case OperationWire.Entities entities -> new EntityCodec();
    };
  }

  /**
   * The request that a call would send.
   *
   * @param access how the endpoint is reached
   */
  public static Outcome<Request> request(
      Service service,
      Operation operation,
      EndpointId endpoint,
      RecordValue parameters,
      Access access,
      Stamp stamp) {
    Optional<OperationWire> wire = operation.wire(endpoint);
    if (wire.isEmpty()) {
      return Outcome.failed(
          Finding.error(
              "CALL_ENDPOINT_MISSING", "operation", operation.name(), "endpoint", endpoint.text()));
    }
    return codec(wire.get()).write(service, operation, wire.get(), parameters, access, stamp);
  }

  /**
   * What a response to an operation says.
   *
   * @param wanted the returned fields to keep; none keeps everything
   */
  public static Outcome<Answer> answer(
      Service service,
      Operation operation,
      OperationWire wire,
      Response response,
      Set<FieldPath> wanted) {
    return codec(wire).read(service, operation, wire, response, wanted);
  }

  /**
   * Runs one call from end to end. What is kept of it has every secret hidden.
   *
   * @param wanted the returned fields to keep; none keeps everything
   */
  public CallResult call(
      Service service,
      Operation operation,
      EndpointId endpoint,
      RecordValue parameters,
      Access access,
      Set<FieldPath> wanted) {
    Stamp stamp = stamps.get();
    RecordValue asked =
        operation
            .wire(endpoint)
            .map(wire -> codec(wire).narrowed(service, operation, parameters, wanted))
            .orElse(parameters);
    Function<Access, Outcome<Request>> as =
        caller -> request(service, operation, endpoint, asked, caller, stamp);
    Outcome<Request> shown = as.apply(access.hidden());
    if (shown.value().isEmpty()) {
      return CallResult.notSent(shown.findings());
    }
    if (shown.get().address().isEmpty()) {
      return CallResult.notSent(
          List.of(Finding.error("MESSAGE_ADDRESS_MISSING", "endpoint", endpoint.text())));
    }
    Outcome<Access> granted = tokens.granted(access);
    if (granted.value().isEmpty()) {
      return CallResult.notSent(granted.findings());
    }
    Access used = granted.get();
    Exchange sent = CsrfToken.send(exchanger, as.apply(used).get(), used);
    if (used != access && isRefused(sent)) {
      used = tokens.renewed(access).value().orElse(used);
      sent = CsrfToken.send(exchanger, as.apply(used).get(), used);
    }
    Exchange exchange = access.hasSecrets() ? sent.with(shown.get()) : sent;
    List<Finding> findings = new ArrayList<>(shown.findings());
    exchange.failure().ifPresent(findings::add);
    Optional<Answer> answer =
        exchange
            .response()
            .flatMap(
                response -> {
                  Outcome<Answer> read =
                      answer(
                          service,
                          operation,
                          operation.wire(endpoint).orElseThrow(),
                          response,
                          wanted);
                  findings.addAll(read.findings());
                  return read.value();
                });
    if (answer.orElse(null) instanceof Answer.Returned first) {
      AnswerPart part =
          new AnswerPart(
              service,
              operation,
              operation.wire(endpoint).orElseThrow(),
              1,
              sent.request(),
              exchange.response().orElseThrow(),
              first.value(),
              first.value());
      RecordValue whole =
          new ListParts(exchanger, used, wanted, findings).all(codec(part.wire()), part);
      answer = Optional.of(new Answer.Returned(whole));
    }
    return new CallResult(Optional.of(exchange), answer, findings);
  }

  private static boolean isRefused(Exchange sent) {
    return sent.response().filter(response -> response.status() == 401).isPresent();
  }
}
