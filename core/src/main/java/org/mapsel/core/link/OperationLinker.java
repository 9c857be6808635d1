package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.declare.BindingDeclaration;
import org.mapsel.core.declare.BindingDeclaration.BoundMessage;
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

  /** The largest descriptions met have a fifth of this. */
  private static final int MAX_OPERATIONS = 100_000;

  private final Declarations declarations;
  private final Findings findings;
  private final MessageLinker messages;
  private final List<Endpoint> endpoints = new ArrayList<>();
  private final Map<OperationDeclaration, List<Operation>> operations = new LinkedHashMap<>();
  private final Set<OperationId> takenIds = new HashSet<>();
  private final Set<String> endpointIds = new HashSet<>();

  OperationLinker(ShapeBuilder shapes) {
    this.declarations = shapes.declarations();
    this.findings = shapes.findings();
    this.messages = new MessageLinker(shapes);
  }

  List<Endpoint> endpoints() {
    return endpoints;
  }

  List<Operation> operations() {
    return operations.values().stream().flatMap(List::stream).toList();
  }

  /**
   * Every port. A description without any still tells what can be asked: by its bindings, or its
   * interfaces alone.
   */
  void linkAll() {
    List<Port> ports = new ArrayList<>();
    for (ServiceDeclaration service : declarations.services()) {
      service.ports().forEach(port -> port(port).ifPresent(ports::add));
    }
    if (declarations.services().stream().allMatch(service -> service.ports().isEmpty())) {
      findings.add(Finding.warning("WSDL_SERVICE_MISSING"));
      for (BindingDeclaration binding : declarations.bindings().values()) {
        port(new PortDeclaration(binding.name().local(), binding.name(), "", binding.place()))
            .ifPresent(ports::add);
      }
    }
    // What only an unknown protocol offers is listed too, but nothing is listed twice for it.
    ports.stream().filter(Port::isKnown).forEach(Port::link);
    ports.stream().filter(port -> !port.isKnown()).forEach(Port::link);
    if (operations.isEmpty()) {
      for (InterfaceDeclaration declared : declarations.interfaces().values()) {
        for (OperationDeclaration operation : operationsOf(declared, new HashSet<>())) {
          if (isFull()) {
            return;
          }
          linkUnbound(declared, operation);
        }
      }
    }
  }

  private Optional<Port> port(PortDeclaration port) {
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
      return Optional.empty();
    }
    InterfaceDeclaration declared = declarations.interfaces().get(binding.interfaceName());
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
      return Optional.empty();
    }
    return Optional.of(new Port(port, binding, declared));
  }

  private boolean isFull() {
    if (operations.size() < MAX_OPERATIONS) {
      return false;
    }
    findings.add(
        Finding.error("WSDL_OPERATIONS_TOO_MANY", "limit", String.valueOf(MAX_OPERATIONS)));
    return true;
  }

  /** The operations of an interface and of those it extends (WSDL 2.0, section 2.2.1). */
  private List<OperationDeclaration> operationsOf(InterfaceDeclaration declared, Set<Name> open) {
    List<OperationDeclaration> all = new ArrayList<>(declared.operations());
    for (Name base : declared.bases()) {
      InterfaceDeclaration extended = declarations.interfaces().get(base);
      if (extended != null && open.add(base)) {
        all.addAll(operationsOf(extended, open));
      }
    }
    return all;
  }

  private EndpointId newEndpointId(String port) {
    String name = port.isEmpty() ? "port" : port;
    String id = name;
    for (int i = 2; !endpointIds.add(id); i++) {
      id = name + i;
    }
    return new EndpointId(id);
  }

  /** One port with its binding. */
  private final class Port {

    private final PortDeclaration port;
    private final BindingDeclaration binding;
    private final InterfaceDeclaration declared;
    private final Map<String, List<OperationDeclaration>> byName;
    private final Set<OperationDeclaration> bound = new HashSet<>();

    Port(PortDeclaration port, BindingDeclaration binding, InterfaceDeclaration declared) {
      this.port = port;
      this.binding = binding;
      this.declared = declared;
      byName =
          operationsOf(declared, new HashSet<>()).stream()
              .collect(
                  Collectors.groupingBy(
                      OperationDeclaration::name, LinkedHashMap::new, Collectors.toList()));
    }

    boolean isKnown() {
      return binding.protocol().isPresent();
    }

    void link() {
      Optional<EndpointId> endpoint = endpoint();
      for (BoundOperation operation : binding.operations()) {
        if (isFull()) {
          return;
        }
        Optional<OperationDeclaration> found = declaration(operation);
        if (found.isEmpty()) {
          findings.add(
              Finding.error(
                      "WSDL_OPERATION_UNBOUND",
                      "operation",
                      operation.name(),
                      "near",
                      Names.near(
                          Name.of("", operation.name()),
                          byName.keySet().stream().map(name -> Name.of("", name)).toList()))
                  .at(operation.place()));
        } else {
          bound.add(found.get());
          link(found.get(), operation, endpoint);
        }
      }
      if (binding.everyOperation()) {
        for (List<OperationDeclaration> named : byName.values()) {
          named.stream()
              .filter(operation -> !bound.contains(operation))
              .forEach(operation -> link(operation, plain(operation), endpoint));
        }
      }
    }

    /** None if the port speaks something that is not known here. */
    private Optional<EndpointId> endpoint() {
      if (binding.protocol().isEmpty()) {
        findings.add(
            Finding.note("WSDL_BINDING_UNKNOWN", "name", binding.name().local())
                .at(binding.place()));
        return Optional.empty();
      }
      EndpointId id = newEndpointId(port.name());
      endpoints.add(new Endpoint(id, binding.protocol().get(), port.address()));
      if (port.address().isEmpty() && !declarations.services().isEmpty()) {
        findings.add(Finding.warning("WSDL_ADDRESS_MISSING", "port", port.name()).at(port.place()));
      }
      return Optional.of(id);
    }

    /** By name; overloaded ones by the names of their messages, else in their order. */
    private Optional<OperationDeclaration> declaration(BoundOperation operation) {
      List<OperationDeclaration> named = byName.getOrDefault(operation.name(), List.of());
      return named.stream()
          .filter(candidate -> matches(candidate, operation) && !bound.contains(candidate))
          .findFirst()
          .or(() -> named.stream().filter(candidate -> !bound.contains(candidate)).findFirst())
          .or(() -> named.stream().findFirst());
    }

    private static boolean matches(OperationDeclaration candidate, BoundOperation operation) {
      return candidate.inputName().equals(operation.inputName())
          && candidate.outputName().equals(operation.outputName());
    }

    private void link(
        OperationDeclaration operation, BoundOperation bound, Optional<EndpointId> endpoint) {
      OperationWire.Style style = style(bound);
      List<Operation> known = operations.getOrDefault(operation, List.of());
      if (endpoint.isEmpty() && !known.isEmpty()) {
        return;
      }
      OperationId id = newOperationId(declared.name(), operation.name());
      MessageLinker.Linked linked = messages.link(id, operation, bound, manner(style));
      Optional<OperationWire> wire = endpoint.map(at -> wire(at, operation, bound, style, linked));
      Optional<Operation> same =
          known.stream().filter(other -> hasSameFields(other, linked)).findFirst();
      List<Operation> all = operations.computeIfAbsent(operation, none -> new ArrayList<>());
      if (same.isPresent()) {
        takenIds.remove(id);
        wire.ifPresent(one -> all.set(all.indexOf(same.get()), withWire(same.get(), one)));
      } else {
        all.add(
            operation(
                id,
                operation,
                linked,
                style != OperationWire.Style.DOCUMENT,
                wire.stream().toList()));
      }
    }

    private OperationWire.Style style(BoundOperation operation) {
      if (!operation.rpc().orElse(binding.rpc())) {
        return OperationWire.Style.DOCUMENT;
      }
      return operation.input().isEncoded() || operation.output().isEncoded()
          ? OperationWire.Style.RPC_ENCODED
          : OperationWire.Style.RPC;
    }

    private MessageLinker.Manner manner(OperationWire.Style style) {
      if (isHttp()) {
        return MessageLinker.Manner.HTTP;
      }
      return style == OperationWire.Style.DOCUMENT
          ? MessageLinker.Manner.DOCUMENT
          : MessageLinker.Manner.RPC;
    }

    private boolean isHttp() {
      return binding
          .protocol()
          .filter(protocol -> protocol == Protocol.HTTP_GET || protocol == Protocol.HTTP_POST)
          .isPresent();
    }

    private OperationWire wire(
        EndpointId endpoint,
        OperationDeclaration operation,
        BoundOperation bound,
        OperationWire.Style style,
        MessageLinker.Linked linked) {
      Protocol protocol = binding.protocol().orElseThrow();
      if (isHttp()) {
        return new OperationWire.Http(
            endpoint,
            protocol,
            bound.location(),
            switch (bound.input().content()) {
              case URL_ENCODED -> OperationWire.Encoding.URL_ENCODED;
              case URL_REPLACEMENT -> OperationWire.Encoding.URL_REPLACEMENT;
              case LITERAL, ENCODED, OTHER -> OperationWire.Encoding.BODY;
            },
            linked.input().wrapper(),
            linked.output().wrapper());
      }
      return new OperationWire.Soap(
          endpoint,
          protocol,
          style,
          bound.action(),
          linked.input().wrapper(),
          linked.output().wrapper(),
          operation.output().isEmpty(),
          binding.addressing()
              ? Optional.of(operation.addressingAction().orElse(bound.action()))
              : Optional.empty());
    }
  }

  /** An operation that no binding names, as far as its interface tells. */
  private void linkUnbound(InterfaceDeclaration declared, OperationDeclaration operation) {
    OperationId id = newOperationId(declared.name(), operation.name());
    MessageLinker.Linked linked =
        messages.link(id, operation, plain(operation), MessageLinker.Manner.DOCUMENT);
    operations
        .computeIfAbsent(operation, none -> new ArrayList<>())
        .add(operation(id, operation, linked, false, List.of()));
  }

  private static BoundOperation plain(OperationDeclaration operation) {
    return new BoundOperation(
        operation.name(),
        operation.inputName(),
        operation.outputName(),
        "",
        "",
        Optional.empty(),
        BoundMessage.PLAIN,
        BoundMessage.PLAIN,
        operation.place());
  }

  private static Operation operation(
      OperationId id,
      OperationDeclaration declared,
      MessageLinker.Linked linked,
      boolean rpc,
      List<OperationWire> wires) {
    return new Operation(
        id,
        declared.name(),
        EffectGuess.of(declared.name()),
        declared.documentation(),
        new Operation.Messages(
            linked.input().shape(),
            linked.output().shape(),
            rpc ? Optional.empty() : linked.input().wrapper(),
            rpc ? Optional.empty() : linked.output().wrapper(),
            linked.faults(),
            wires));
  }

  /** Whether two bindings of one operation take and give the same. */
  private boolean hasSameFields(Operation known, MessageLinker.Linked linked) {
    return messages.areAlike(known.input(), linked.input().shape())
        && messages.areAlike(known.output(), linked.output().shape());
  }

  private static Operation withWire(Operation known, OperationWire wire) {
    List<OperationWire> wires = new ArrayList<>(known.wires());
    wires.add(wire);
    return known.offered(wires);
  }

  private OperationId newOperationId(Name interfaceName, String name) {
    OperationId id = new OperationId(name);
    for (int i = 1; !takenIds.add(id); i++) {
      id = new OperationId(interfaceName.local() + "." + name + (i == 1 ? "" : i));
    }
    return id;
  }
}
