package org.mapsel.core.declare;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.declare.BindingDeclaration.BoundMessage;
import org.mapsel.core.declare.BindingDeclaration.BoundOperation;
import org.mapsel.core.declare.BindingDeclaration.HeaderUse;
import org.mapsel.core.declare.InterfaceDeclaration.FaultDeclaration;
import org.mapsel.core.declare.InterfaceDeclaration.OperationDeclaration;
import org.mapsel.core.declare.MessageDeclaration.PartDeclaration;
import org.mapsel.core.declare.ServiceDeclaration.PortDeclaration;
import org.mapsel.core.declare.TypeDeclaration.Derivation;
import org.mapsel.core.ref.Name;

/** Declarations again, in which every reference to another one has the name that it is given. */
final class Renaming {

  /** What a name refers to; each kind has names of its own (XML Schema 1.0 part 1, section 2.5). */
  enum Kind {
    TYPE,
    ELEMENT,
    ATTRIBUTE,
    GROUP,
    ATTRIBUTE_GROUP,
    MESSAGE,
    INTERFACE,
    BINDING
  }

  /** The name that a reference is to have instead. */
  @FunctionalInterface
  interface Names {
    Name name(Kind kind, Name referred);
  }

  private final Names names;

  Renaming(Names names) {
    this.names = names;
  }

  TypeDeclaration type(TypeDeclaration type) {
    return switch (type) {
      case TypeDeclaration.Simple simple ->
          new TypeDeclaration.Simple(
              simple.name(),
              simple.place(),
              simple.variety(),
              simple.bases().stream().map(this::ref).toList(),
              simple.facets());
      case TypeDeclaration.Complex complex ->
          new TypeDeclaration.Complex(
              complex.name(),
              complex.place(),
              complex.derivation().map(this::derivation),
              complex.content().map(this::particle),
              attributes(complex.attributes()),
              complex.mixed(),
              complex.isAbstract(),
              complex.facets());
    };
  }

  ElementDeclaration element(ElementDeclaration element) {
    return new ElementDeclaration(
        element.name(),
        ref(element.type()),
        element.nillable(),
        element.isAbstract(),
        element.substitutes().map(head -> names.name(Kind.ELEMENT, head)),
        element.preset(),
        element.fixed(),
        element.documentation(),
        element.place());
  }

  AttributeDeclaration attribute(AttributeDeclaration attribute) {
    return new AttributeDeclaration(
        attribute.reference() ? names.name(Kind.ATTRIBUTE, attribute.name()) : attribute.name(),
        attribute.reference(),
        ref(attribute.type()),
        attribute.use(),
        attribute.preset(),
        attribute.fixed(),
        attribute.documentation(),
        attribute.place());
  }

  Particle particle(Particle particle) {
    return switch (particle) {
      case Particle.Element one -> new Particle.Element(element(one.element()), one.occurrence());
      case Particle.ElementRef ref ->
          new Particle.ElementRef(
              names.name(Kind.ELEMENT, ref.name()), ref.occurrence(), ref.place());
      case Particle.Group group ->
          new Particle.Group(
              group.order(),
              group.particles().stream().map(this::particle).toList(),
              group.occurrence());
      case Particle.GroupRef ref ->
          new Particle.GroupRef(names.name(Kind.GROUP, ref.name()), ref.occurrence(), ref.place());
      case Particle.Any any -> any;
    };
  }

  Attributes attributes(Attributes attributes) {
    return new Attributes(
        attributes.own().stream().map(this::attribute).toList(),
        attributes.groups().stream().map(group -> names.name(Kind.ATTRIBUTE_GROUP, group)).toList(),
        attributes.any(),
        attributes.arrayOf().map(this::ref));
  }

  MessageDeclaration message(MessageDeclaration message) {
    return new MessageDeclaration(
        message.name(), message.parts().stream().map(this::part).toList());
  }

  InterfaceDeclaration interfaceOf(InterfaceDeclaration declared) {
    return new InterfaceDeclaration(
        declared.name(),
        declared.bases().stream().map(base -> names.name(Kind.INTERFACE, base)).toList(),
        declared.operations().stream().map(this::operation).toList());
  }

  BindingDeclaration binding(BindingDeclaration binding) {
    return new BindingDeclaration(
        binding.name(),
        names.name(Kind.INTERFACE, binding.interfaceName()),
        binding.protocol(),
        binding.rpc(),
        binding.addressing(),
        binding.everyOperation(),
        binding.operations().stream().map(this::bound).toList(),
        binding.place());
  }

  ServiceDeclaration service(ServiceDeclaration service) {
    return new ServiceDeclaration(
        service.name(),
        service.documentation(),
        service.ports().stream()
            .map(
                port ->
                    new PortDeclaration(
                        port.name(),
                        names.name(Kind.BINDING, port.binding()),
                        port.address(),
                        port.place()))
            .toList());
  }

  private TypeRef ref(TypeRef ref) {
    return switch (ref) {
      case TypeRef.Named named ->
          new TypeRef.Named(names.name(Kind.TYPE, named.name()), named.place());
      case TypeRef.Inline inline -> new TypeRef.Inline(type(inline.type()));
      case TypeRef.Anything any -> any;
    };
  }

  private Derivation derivation(Derivation derivation) {
    return new Derivation(ref(derivation.base()), derivation.method(), derivation.simpleContent());
  }

  private PartDeclaration part(PartDeclaration part) {
    return new PartDeclaration(
        part.name(),
        part.element().map(element -> names.name(Kind.ELEMENT, element)),
        part.type().map(type -> names.name(Kind.TYPE, type)),
        part.place());
  }

  private OperationDeclaration operation(OperationDeclaration operation) {
    return new OperationDeclaration(
        operation.name(),
        operation.inputName(),
        operation.outputName(),
        operation.addressingAction(),
        message(operation.input()),
        message(operation.output()),
        operation.faults().stream()
            .map(
                fault ->
                    new FaultDeclaration(
                        fault.name(), names.name(Kind.MESSAGE, fault.message()), fault.place()))
            .toList(),
        operation.documentation(),
        operation.place());
  }

  private Optional<Name> message(Optional<Name> message) {
    return message.map(name -> names.name(Kind.MESSAGE, name));
  }

  private BoundOperation bound(BoundOperation operation) {
    return new BoundOperation(
        operation.name(),
        operation.inputName(),
        operation.outputName(),
        operation.action(),
        operation.location(),
        operation.rpc(),
        spread(operation.input()),
        spread(operation.output()),
        operation.place());
  }

  private BoundMessage spread(BoundMessage message) {
    return new BoundMessage(
        message.content(),
        message.namespace(),
        message.bodyParts(),
        uses(message.headers()),
        message.attachments(),
        uses(message.headerFaults()));
  }

  private List<HeaderUse> uses(List<HeaderUse> uses) {
    return uses.stream()
        .map(use -> new HeaderUse(names.name(Kind.MESSAGE, use.message()), use.part(), use.place()))
        .toList();
  }
}
