package org.mapsel.core.read.odata;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;
import org.mapsel.core.ref.Place;
import org.mapsel.core.service.EntityModel;
import org.mapsel.core.service.EntityModel.Callable;
import org.mapsel.core.service.EntityModel.CallableImport;
import org.mapsel.core.service.EntityModel.CallableParameter;
import org.mapsel.core.service.EntityModel.EntitySet;
import org.mapsel.core.service.EntityModel.EnumType;
import org.mapsel.core.service.EntityModel.Navigation;
import org.mapsel.core.service.EntityModel.Property;
import org.mapsel.core.service.EntityModel.StructuredType;
import org.mapsel.core.service.EntityModel.TypeDefinition;

/** Makes the entity model of what metadata documents say. */
final class EntityModels {

  private static final String METADATA = "$metadata";

  private final Csdl csdl;
  private final Reading reading;
  private final String document;
  private final Set<String> told = new HashSet<>();

  private EntityModels(Csdl csdl, Reading reading, String document) {
    this.csdl = csdl;
    this.reading = reading;
    this.document = document;
  }

  static void declare(Csdl csdl, String address, Reading reading) {
    if (csdl.types.isEmpty() && csdl.sets.isEmpty() && reading.findings().hasErrors()) {
      return;
    }
    EntityModel model = new EntityModels(csdl, reading, address).model();
    reading.declarations().name(csdl.container);
    reading.declarations().entities(model, root(address), csdl.version);
  }

  /** The address of the service: that of its metadata without the last step. */
  private static String root(String address) {
    int at = address.indexOf("/" + METADATA);
    return at < 0 ? "" : address.substring(0, at);
  }

  private EntityModel model() {
    List<StructuredType> entities = new ArrayList<>();
    List<StructuredType> complex = new ArrayList<>();
    Map<String, StructuredType> byName = new HashMap<>();
    for (Csdl.Type type : csdl.types) {
      StructuredType made = type(type);
      (type.entity ? entities : complex).add(made);
      byName.put(made.name(), made);
    }
    List<EntitySet> sets = new ArrayList<>();
    for (Csdl.Set set : csdl.sets) {
      StructuredType type = byName.get(set.type());
      if (type == null) {
        reading
            .findings()
            .add(
                Finding.error("ODATA_TYPE_MISSING", "type", set.type(), "user", set.name())
                    .at(Place.in(document)));
        continue;
      }
      Annotated said = csdl.at(set.container(), set.name());
      List<String> properties =
          csdl.hasAnnotatedMembers(set.type())
              ? type.properties().stream().map(Property::name).toList()
              : List.of();
      sets.add(
          new EntitySet(
              set.name(),
              set.type(),
              set.single(),
              said.documentation(),
              said.capabilities(properties, property -> csdl.at(set.type(), property))));
    }
    return new EntityModel(
        entities,
        complex,
        csdl.enums.stream()
            .map(one -> new EnumType(one.name(), one.members(), one.flags()))
            .toList(),
        csdl.definitions.stream().map(one -> new TypeDefinition(one.name(), one.base())).toList(),
        sets,
        csdl.operations.stream().map(this::callable).toList(),
        csdl.imports.stream()
            .map(one -> new CallableImport(one.name(), one.of(), one.method()))
            .toList());
  }

  private StructuredType type(Csdl.Type type) {
    List<Property> properties = new ArrayList<>(type.properties.size());
    for (Csdl.Member member : type.properties) {
      properties.add(property(type, member));
    }
    List<Navigation> navigations = new ArrayList<>(type.navigations.size());
    for (Csdl.Link link : type.navigations) {
      navigations.add(navigation(link));
    }
    Annotated said = csdl.at(type.name);
    return new StructuredType(
        type.name,
        type.base,
        type.isAbstract,
        type.open,
        type.media,
        type.keys,
        properties,
        navigations,
        said.documentation(),
        said.columns(),
        said.title());
  }

  private Property property(Csdl.Type type, Csdl.Member member) {
    Annotated said = csdl.at(type.name, member.name());
    return new Property(
        member.name(),
        member.type(),
        member.nullable(),
        member.maxLength(),
        scale(member),
        member.preset(),
        said.text("Minimum"),
        said.text("Maximum"),
        said.text("Pattern"),
        said.allowed(),
        said.documentation(),
        said.hints(type.keys.contains(member.name())));
  }

  /** Without a word about it, decimals are whole numbers from version 4 on (section 7.2.4). */
  private Optional<Integer> scale(Csdl.Member member) {
    if (member.scale().isEmpty()) {
      return csdl.version.startsWith("4")
              && EntityModel.itemType(member.type()).equals("Edm.Decimal")
          ? Optional.of(0)
          : Optional.empty();
    }
    return member.scale().filter(text -> text.matches("\\d{1,4}")).map(Integer::valueOf);
  }

  /** Before version 4 the type of the other end is said by an association. */
  private Navigation navigation(Csdl.Link link) {
    String type = link.type();
    if (type.isEmpty()) {
      Optional<Csdl.End> end =
          csdl.associations.getOrDefault(link.association(), List.of()).stream()
              .filter(one -> one.role().equals(link.toRole()))
              .findFirst();
      type =
          end.map(
                  one ->
                      one.multiplicity().equals("*")
                          ? "Collection(" + one.type() + ")"
                          : one.type())
              .orElse("");
    }
    if (type.isEmpty() && told.add(link.association())) {
      reading
          .findings()
          .add(
              Finding.warning("ODATA_TYPE_MISSING", "type", link.association(), "user", link.name())
                  .at(Place.in(document)));
    }
    return new Navigation(link.name(), type, link.nullable(), link.partner(), link.contained());
  }

  private Callable callable(Csdl.Operation operation) {
    return new Callable(
        operation.name(),
        operation.action(),
        operation.bound(),
        operation.parameters().stream()
            .map(one -> new CallableParameter(one.name(), one.type(), one.nullable()))
            .toList(),
        operation.returns(),
        csdl.at(operation.name()).documentation());
  }
}
