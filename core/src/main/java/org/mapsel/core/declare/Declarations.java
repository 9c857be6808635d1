package org.mapsel.core.declare;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.ref.Name;
import org.mapsel.core.service.EntityModel;

/** Everything one description declares, across all its documents. Readers add, linking reads. */
public final class Declarations {

  private final Map<Name, TypeDeclaration> types = new LinkedHashMap<>();
  private final Map<Name, ElementDeclaration> elements = new LinkedHashMap<>();
  private final Map<Name, AttributeDeclaration> attributes = new LinkedHashMap<>();
  private final Map<Name, Particle> groups = new LinkedHashMap<>();
  private final Map<Name, Attributes> attributeGroups = new LinkedHashMap<>();
  private final Map<Name, MessageDeclaration> messages = new LinkedHashMap<>();
  private final Map<Name, InterfaceDeclaration> interfaces = new LinkedHashMap<>();
  private final Map<Name, BindingDeclaration> bindings = new LinkedHashMap<>();
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
    return types.isEmpty()
        && elements.isEmpty()
        && messages.isEmpty()
        && interfaces.isEmpty()
        && bindings.isEmpty()
        && services.isEmpty()
        && httpOperations.isEmpty()
        && entities.isEmpty();
  }

  /** A second declaration of the same name, as when a schema is included twice, is passed over. */
  public void add(Name typeName, TypeDeclaration type) {
    types.putIfAbsent(typeName, type);
  }

  public void add(ElementDeclaration element) {
    elements.putIfAbsent(element.name(), element);
  }

  public void add(AttributeDeclaration attribute) {
    attributes.putIfAbsent(attribute.name(), attribute);
  }

  public void addGroup(Name groupName, Particle group) {
    groups.putIfAbsent(groupName, group);
  }

  public void addAttributeGroup(Name groupName, Attributes group) {
    attributeGroups.putIfAbsent(groupName, group);
  }

  public void add(MessageDeclaration message) {
    messages.putIfAbsent(message.name(), message);
  }

  public void add(InterfaceDeclaration declared) {
    interfaces.putIfAbsent(declared.name(), declared);
  }

  public void add(BindingDeclaration binding) {
    bindings.putIfAbsent(binding.name(), binding);
  }

  public void add(HttpDeclaration operation) {
    httpOperations.add(operation);
  }

  public void add(ServiceDeclaration service) {
    services.add(service);
  }

  public Map<Name, TypeDeclaration> types() {
    return types;
  }

  public Map<Name, ElementDeclaration> elements() {
    return elements;
  }

  public Map<Name, AttributeDeclaration> attributes() {
    return attributes;
  }

  public Map<Name, Particle> groups() {
    return groups;
  }

  public Map<Name, Attributes> attributeGroups() {
    return attributeGroups;
  }

  public Map<Name, MessageDeclaration> messages() {
    return messages;
  }

  public Map<Name, InterfaceDeclaration> interfaces() {
    return interfaces;
  }

  public Map<Name, BindingDeclaration> bindings() {
    return bindings;
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
