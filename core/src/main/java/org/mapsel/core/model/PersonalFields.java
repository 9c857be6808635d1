package org.mapsel.core.model;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;

/**
 * What fields that tell of persons are called, in values and in messages. What is picked from keyed
 * values or cut out of a text has no name of its own in a message, and is not among them.
 *
 * @param fields the names in values
 * @param wire the names in messages, also of all that stands below such a field
 */
public record PersonalFields(Set<String> fields, Set<String> wire) {

  /** More shapes than this below one field are a description gone astray. */
  private static final int MOST_SHAPES = 500;

  public PersonalFields {
    fields = Set.copyOf(fields);
    wire = Set.copyOf(wire);
  }

  /** Whether a model has any, of whatever service. */
  public static boolean areIn(Model model) {
    return model.types().stream()
        .flatMap(type -> type.fields().stream())
        .anyMatch(PersonalFields::isPersonal);
  }

  /**
   * Those of a service.
   *
   * @param service its id in the workspace
   * @param shapes those of the edition that the model is about
   */
  public static PersonalFields of(Model model, String service, Shapes shapes) {
    Set<String> fields = new HashSet<>();
    Set<String> wire = new HashSet<>();
    model.types().stream()
        .flatMap(type -> type.fields().stream())
        .filter(PersonalFields::isPersonal)
        .flatMap(field -> field.at().stream())
        .filter(at -> at.owner().service().equals(service))
        .forEach(
            at ->
                shapes
                    .find(at.owner().shape())
                    .map(shape -> shapes.fieldsOf(at.owner().shape()))
                    .stream()
                    .flatMap(List::stream)
                    .filter(field -> field.name().equals(at.name()))
                    .findFirst()
                    .ifPresent(
                        field -> {
                          fields.add(field.name());
                          below(field, shapes, wire);
                        }));
    return new PersonalFields(fields, wire);
  }

  private static boolean isPersonal(ModelField field) {
    return field.set().personal().orElse(false);
  }

  private static void below(Field first, Shapes shapes, Set<String> wire) {
    nameOf(first).ifPresent(wire::add);
    Set<ShapeId> seen = new HashSet<>();
    Deque<ShapeId> open = new ArrayDeque<>();
    open.add(first.shape());
    while (!open.isEmpty() && seen.size() < MOST_SHAPES) {
      ShapeId id = open.remove();
      if (seen.add(id)) {
        for (Field field : shapes.fieldsOf(id)) {
          nameOf(field).ifPresent(wire::add);
          open.add(field.shape());
        }
      }
    }
  }

  private static Optional<String> nameOf(Field field) {
    return switch (field.wire()) {
      case Wire.XmlElement element -> Optional.of(element.name().local());
      case Wire.XmlAttribute attribute -> Optional.of(attribute.name().local());
      case Wire.SoapHeader header -> Optional.of(header.name().local());
      case Wire.Parameter parameter -> Optional.of(parameter.name());
      case Wire.Member member -> Optional.of(member.name());
      case Wire.FormPart part -> Optional.of(part.name());
      case Wire.ArrayItem item -> Optional.of(item.local());
      default -> Optional.empty();
    };
  }
}
