package org.mapsel.cli;

import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Description;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;

/** Finds what a command line names in a description, or says what there is instead. */
final class Choice {

  private Choice() {}

  static Service service(Console console, String source) {
    Outcome<Description> read = Sources.read(source);
    if (read.value().isEmpty()) {
      console.tell(read.findings());
      throw new CommandFailure(source + " could not be read.");
    }
    return read.get().service();
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
