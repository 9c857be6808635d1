package org.mapsel.cli;

import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.appfile.ServiceDescription;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;

/** Finds what a command line names in a description, or says what there is instead. */
final class Choice {

  private Choice() {}

  static Service service(Console console, String source) {
    return description(console, source).service();
  }

  static Description description(Console console, String source) {
    return read(console, source, Sources.read(source));
  }

  /** A description, with everything told that could not be understood in it. */
  static Description whole(Console console, String source) {
    Outcome<Description> read = Sources.read(source);
    console.tell(read.findings().stream().filter(Finding::isError).toList());
    return read(console, source, read);
  }

  /** A service that is described in an app file. */
  static Service described(Console console, ServiceDescription one) {
    return read(console, "The description of " + one.service(), Intake.read(one.documents()))
        .service();
  }

  private static Description read(Console console, String what, Outcome<Description> read) {
    if (read.value().isEmpty()) {
      console.tell(read.findings());
      throw new CommandFailure(what + " could not be read.");
    }
    return read.get();
  }

  /** The one with this id, or else the first one of this name. */
  static Operation operation(Service service, @Nullable String name) {
    return Optional.ofNullable(name)
        .flatMap(
            asked ->
                service
                    .findOperation(new OperationId(asked))
                    .or(
                        () ->
                            service.operations().stream()
                                .filter(operation -> operation.name().equals(asked))
                                .findFirst()))
        .orElseThrow(
            () ->
                new CommandFailure(
                    (name == null ? "Name an operation." : "There is no operation " + name + ".")
                        + " The description has: "
                        + service.operations().ids().stream()
                            .map(OperationId::text)
                            .collect(Collectors.joining(", "))));
  }

  static OperationWire wire(Operation operation, @Nullable String endpoint) {
    if (operation.wires().isEmpty()) {
      throw new CommandFailure(
          "The description names no endpoint that offers " + operation.id() + ".");
    }
    if (endpoint == null) {
      return operation.wires().get(0);
    }
    return operation
        .wire(new EndpointId(endpoint))
        .orElseThrow(
            () ->
                new CommandFailure(
                    operation.id()
                        + " is not offered at "
                        + endpoint
                        + ", but at: "
                        + operation.wires().stream()
                            .map(wire -> wire.endpoint().text())
                            .collect(Collectors.joining(", "))));
  }
}
