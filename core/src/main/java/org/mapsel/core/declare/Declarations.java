package org.mapsel.core.declare;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.EntityModel;

/** Everything one description declares, across all its documents. Readers add, linking reads. */
public final class Declarations {

  private final DeclaredNames<TypeDeclaration> types =
      new DeclaredNames<>(Renaming.Kind.TYPE, Renaming::type, TypeDeclaration::named);
  private final DeclaredNames<ElementDeclaration> elements =
      new DeclaredNames<>(Renaming.Kind.ELEMENT, Renaming::element, this::withTypeOfItsOwn);
  private final DeclaredNames<AttributeDeclaration> attributes =
      new DeclaredNames<>(Renaming.Kind.ATTRIBUTE, Renaming::attribute, (one, key) -> one);
  private final DeclaredNames<Particle> groups =
      new DeclaredNames<>(Renaming.Kind.GROUP, Renaming::particle, (one, key) -> one);
  private final DeclaredNames<Attributes> attributeGroups =
      new DeclaredNames<>(Renaming.Kind.ATTRIBUTE_GROUP, Renaming::attributes, (one, key) -> one);
  private final DeclaredNames<MessageDeclaration> messages =
      new DeclaredNames<>(
          Renaming.Kind.MESSAGE,
          Renaming::message,
          (message, key) -> new MessageDeclaration(key, message.parts()));
  private final DeclaredNames<InterfaceDeclaration> interfaces =
      new DeclaredNames<>(Renaming.Kind.INTERFACE, Renaming::interfaceOf, (one, key) -> one);
  private final DeclaredNames<BindingDeclaration> bindings =
      new DeclaredNames<>(Renaming.Kind.BINDING, Renaming::binding, (one, key) -> one);
  private final Map<String, Set<String>> references = new HashMap<>();
  private Map<Name, Name> declaredNames = Map.of();
  private final List<ServiceDeclaration> services = new ArrayList<>();
  private Function<String, @Nullable DataType> dataTypes = target -> null;
  private final List<HttpDeclaration> httpOperations = new ArrayList<>();
  private Optional<Entities> entities = Optional.empty();
  private boolean overHttp;
  private final String document;
  private String name = "";
  private String documentation = "";

  /**
   * @param document the address of the document that the description starts with
   */
  public Declarations(String document) {
    this.document = document;
  }

  /** The address of the document that the description starts with. */
  public String document() {
    return document;
  }

  /** The description's own name; the first one given stays. */
  public void name(String given) {
    if (name.isEmpty()) {
      name = given;
    }
  }

  public String name() {
    return name;
  }

  public void documentation(String given) {
    if (documentation.isEmpty()) {
      documentation = given;
    }
  }

  public String documentation() {
    return documentation;
  }

  /** Whether nothing at all was declared. */
  public boolean isEmpty() {
    return types.counting().isEmpty()
        && elements.counting().isEmpty()
        && messages.counting().isEmpty()
        && interfaces.counting().isEmpty()
        && bindings.counting().isEmpty()
        && services.isEmpty()
        && httpOperations.isEmpty()
        && entities.isEmpty();
  }

  /**
   * Declarations come with the document that they stand in, since another one may declare the same
   * names otherwise.
   */
  public void add(Name typeName, TypeDeclaration type) {
    types.add(typeName, type, type.place().document());
  }

  public void add(ElementDeclaration element) {
    elements.add(element.name(), element, element.place().document());
  }

  public void add(AttributeDeclaration attribute) {
    attributes.add(attribute.name(), attribute, attribute.place().document());
  }

  public void addGroup(Name groupName, Particle group, Place place) {
    groups.add(groupName, group, place.document());
  }

  public void addAttributeGroup(Name groupName, Attributes group, Place place) {
    attributeGroups.add(groupName, group, place.document());
  }

  public void add(MessageDeclaration message, Place place) {
    messages.add(message.name(), message, place.document());
  }

  public void add(InterfaceDeclaration declared, Place place) {
    interfaces.add(declared.name(), declared, place.document());
  }

  public void add(BindingDeclaration binding) {
    bindings.add(binding.name(), binding, binding.place().document());
  }

  /** Notes that one document includes or imports another. */
  public void addReference(String from, String to) {
    references.computeIfAbsent(from, none -> new LinkedHashSet<>()).add(to);
  }

  /**
   * Tells names apart that several documents declare otherwise; to be called when everything was
   * read. Until then the first declaration of a name counts.
   */
  public void settle(Findings findings) {
    List<DeclaredNames<?>> tables =
        List.of(
            types, elements, attributes, groups, attributeGroups, messages, interfaces, bindings);
    Versions versions = new Versions(tables, references);
    if (versions.isEmpty()) {
      return;
    }
    declaredNames = versions.declaredNames();
    tables.forEach(table -> table.settle(versions));
    services.replaceAll(
        service ->
            service.ports().isEmpty()
                ? service
                : versions.seenFrom(service.ports().get(0).place().document()).service(service));
    versions.tell(findings);
  }

  /** The name that a type, an element or an attribute has in messages. */
  public Name inMessages(Name name) {
    return declaredNames.getOrDefault(name, name);
  }

  /** Types written in place are known by the element's name, which another version has too. */
  private ElementDeclaration withTypeOfItsOwn(ElementDeclaration element, Name key) {
    if (!(element.type() instanceof TypeRef.Inline inline)) {
      return element;
    }
    Place place = inline.type().place();
    types.counting().put(key, inline.type().named(key));
    return element.typed(new TypeRef.Named(key, place));
  }

  public void add(HttpDeclaration operation) {
    httpOperations.add(operation);
  }

  public void add(ServiceDeclaration service) {
    services.add(service);
  }

  public Map<Name, TypeDeclaration> types() {
    return types.counting();
  }

  public Map<Name, ElementDeclaration> elements() {
    return elements.counting();
  }

  public Map<Name, AttributeDeclaration> attributes() {
    return attributes.counting();
  }

  public Map<Name, Particle> groups() {
    return groups.counting();
  }

  public Map<Name, Attributes> attributeGroups() {
    return attributeGroups.counting();
  }

  public Map<Name, MessageDeclaration> messages() {
    return messages.counting();
  }

  public Map<Name, InterfaceDeclaration> interfaces() {
    return interfaces.counting();
  }

  public Map<Name, BindingDeclaration> bindings() {
    return bindings.counting();
  }

  public List<ServiceDeclaration> services() {
    return services;
  }

  /**
   * @param find finds a data type by what a {@link DataType.Ref} to it says, the same every time;
   *     null if there is none
   */
  public void dataTypes(Function<String, @Nullable DataType> find) {
    dataTypes = find;
  }

  public Function<String, @Nullable DataType> dataTypes() {
    return dataTypes;
  }

  /** The operations, should there be any, are methods on paths. */
  public void overHttp() {
    overHttp = true;
  }

  public boolean isOverHttp() {
    return overHttp;
  }

  public List<HttpDeclaration> httpOperations() {
    return httpOperations;
  }

  /**
   * A service of entities.
   *
   * @param address where it is; empty if the description does not say
   * @param version of the protocol
   */
  public record Entities(EntityModel model, String address, String version) {}

  public void entities(EntityModel model, String address, String version) {
    entities = Optional.of(new Entities(model, address, version));
  }

  public Optional<Entities> entities() {
    return entities;
  }
}
