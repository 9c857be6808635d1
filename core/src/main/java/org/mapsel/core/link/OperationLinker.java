package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.BindingDeclaration;
import org.mapsel.core.declare.BindingDeclaration.BoundOperation;
import org.mapsel.core.declare.Declarations;
import org.mapsel.core.declare.InterfaceDeclaration;
import org.mapsel.core.declare.InterfaceDeclaration.OperationDeclaration;
import org.mapsel.core.declare.ServiceDeclaration;
import org.mapsel.core.declare.ServiceDeclaration.PortDeclaration;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.Endpoint;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Protocol;

/** Ports, bindings and port types to endpoints and operations; one operation may have several. */
final class OperationLinker {

  /** The same operation of the same port type, whichever binding offers it. */
  private record Key(Name interfaceName, String operation, String inputName) {}

  private final Declarations declarations;
  private final Findings findings;
  private final MessageLinker messages;
  private final List<Endpoint> endpoints = new ArrayList<>();
  private final Map<Key, Operation> operations = new LinkedHashMap<>();
  private final Set<String> takenIds = new HashSet<>();

  OperationLinker(ShapeBuilder shapes) {
    this.declarations = shapes.declarations();
    this.findings = shapes.findings();
    this.messages = new MessageLinker(shapes);
  }

  List<Endpoint> endpoints() {
    return endpoints;
  }

  List<Operation> operations() {
    return List.copyOf(operations.values());
  }

  void linkAll() {
    for (ServiceDeclaration service : declarations.services()) {
      for (PortDeclaration port : service.ports()) {
        link(port);
      }
    }
    if (declarations.services().stream().allMatch(service -> service.ports().isEmpty())) {
      findings.add(Finding.warning("WSDL_SERVICE_MISSING"));
      for (BindingDeclaration binding : declarations.bindings().values()) {
        link(new PortDeclaration(binding.name().local(), binding.name(), "", binding.place()));
      }
    }
  }

  private void link(PortDeclaration port) {
    BindingDeclaration binding = declarations.bindings().get(port.binding());
    if (binding == null) {
      findings.add(
          Finding.error(
                  "WSDL_BINDING_MISSING",
                  "port",
                  port.name(),
                  "name",
                  port.binding().toString(),
                  "near",
                  Names.near(port.binding(), declarations.bindings().keySet()))
              .at(port.place()));
      return;
    }
    InterfaceDeclaration declared = declarations.interfaces().get(binding.interfaceName());
    if (binding.protocol().isEmpty()) {
      findings.add(
          Finding.note("WSDL_BINDING_UNKNOWN", "name", binding.name().local()).at(binding.place()));
      return;
    }
    if (declared == null) {
      findings.add(
          Finding.error(
                  "WSDL_INTERFACE_MISSING",
                  "binding",
                  binding.name().local(),
                  "name",
                  binding.interfaceName().toString(),
                  "near",
                  Names.near(binding.interfaceName(), declarations.interfaces().keySet()))
              .at(binding.place()));
      return;
    }
    EndpointId id = newEndpointId(port.name());
    endpoints.add(new Endpoint(id, binding.protocol().get(), port.address()));
    if (port.address().isEmpty() && !declarations.services().isEmpty()) {
      findings.add(Finding.warning("WSDL_ADDRESS_MISSING", "port", port.name()).at(port.place()));
    }
    for (BoundOperation bound : binding.operations()) {
      link(binding, declared, bound, id, binding.protocol().get());
    }
  }

  private EndpointId newEndpointId(String port) {
    String name = port.isEmpty() ? "port" : port;
    String id = name;
    for (int i = 2; has(id); i++) {
      id = name + i;
    }
    return new EndpointId(id);
  }

  private boolean has(String endpoint) {
    return endpoints.stream().anyMatch(known -> known.id().text().equals(endpoint));
  }

  private void link(
      BindingDeclaration binding,
      InterfaceDeclaration declared,
      BoundOperation bound,
      EndpointId endpoint,
      Protocol protocol) {
    Optional<OperationDeclaration> found = declaredOperation(declared, bound);
    if (found.isEmpty()) {
      findings.add(
          Finding.error(
                  "WSDL_OPERATION_UNBOUND",
                  "operation",
                  bound.name(),
                  "near",
                  Names.near(
                      Name.of("", bound.name()),
                      declared.operations().stream().map(op -> Name.of("", op.name())).toList()))
              .at(bound.place()));
      return;
    }
    OperationDeclaration operation = found.get();
    if (bound.input().encoded() || bound.output().encoded()) {
      findings.add(
          Finding.error("WSDL_ENCODING_UNSUPPORTED", "operation", bound.name()).at(bound.place()));
      return;
    }
    Key key = new Key(declared.name(), operation.name(), operation.inputName().orElse(""));
    boolean rpc = bound.rpc().orElse(binding.rpc());
    Optional<OperationId> id = Optional.ofNullable(operations.get(key)).map(Operation::id);
    OperationId newId = id.orElseGet(() -> newOperationId(declared.name(), operation.name()));
    Optional<MessageLinker.Linked> linked = messages.link(newId, operation, bound, rpc);
    if (linked.isEmpty()) {
      return;
    }
    OperationWire wire =
        new OperationWire.Soap(
            endpoint, protocol, bound.action(), linked.get().request(), linked.get().response());
    operations.merge(
        key,
        linked.get().operation(newId, operation, wire),
        (known, added) -> withWire(known, wire));
  }

  private static Operation withWire(Operation known, OperationWire wire) {
    List<OperationWire> wires = new ArrayList<>(known.wires());
    wires.add(wire);
    return new Operation(
        known.id(),
        known.name(),
        known.effect(),
        known.documentation(),
        known.input(),
        known.output(),
        known.faults(),
        wires);
  }

  /** By name, and by the name of the input where operations are overloaded. */
  private static Optional<OperationDeclaration> declaredOperation(
      InterfaceDeclaration declared, BoundOperation bound) {
    List<OperationDeclaration> named =
        declared.operations().stream().filter(op -> op.name().equals(bound.name())).toList();
    return named.stream()
        .filter(op -> op.inputName().equals(bound.inputName()))
        .findFirst()
        .or(() -> named.stream().findFirst());
  }

  private OperationId newOperationId(Name interfaceName, String name) {
    String id = name;
    if (!takenIds.add(id)) {
      id = interfaceName.local() + "." + name;
      for (int i = 2; !takenIds.add(id); i++) {
        id = interfaceName.local() + "." + name + i;
      }
    }
    return new OperationId(id);
  }
}
