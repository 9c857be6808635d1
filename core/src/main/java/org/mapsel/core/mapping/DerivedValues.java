package org.mapsel.core.mapping;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Puts the values of derived fields into a value, beside the fields that they are made of. */
public final class DerivedValues {

  /** The member of a record under which its derived fields stand. */
  public static final String MEMBER = "$derived";

  private final Model model;
  private final String service;
  private final Shapes shapes;
  private final Map<ShapeId, Map<String, Derivation>> known = new HashMap<>();

  /**
   * @param service the service's id in the workspace
   */
  public DerivedValues(Model model, String service, Shapes shapes) {
    this.model = model;
    this.service = service;
    this.shapes = shapes;
  }

  /** The value of a shape with all derived fields in it. */
  public Value in(Value value, ShapeId shape) {
    if (model.types().stream().allMatch(type -> type.derived().isEmpty())) {
      return value;
    }
    return switch (value) {
      case ListValue list ->
          new ListValue(list.items().stream().map(item -> in(item, shape)).toList());
      case RecordValue record -> {
        Map<String, Value> fields = new LinkedHashMap<>();
        Map<String, ShapeId> inside = new HashMap<>();
        shapes.fieldsOf(shape).forEach(field -> inside.put(field.name(), field.shape()));
        record.forEach(
            (name, field) ->
                fields.put(name, inside.containsKey(name) ? in(field, inside.get(name)) : field));
        Map<String, Value> derived = new LinkedHashMap<>();
        of(shape)
            .forEach(
                (name, derivation) -> {
                  Value made = derivation.of(record);
                  if (!made.isAbsent()) {
                    derived.put(name, made);
                  }
                });
        if (!derived.isEmpty()) {
          fields.put(MEMBER, RecordValue.of(derived));
        }
        yield RecordValue.of(fields);
      }
      default -> value;
    };
  }

  private Map<String, Derivation> of(ShapeId shape) {
    Map<String, Derivation> made = known.get(shape);
    if (made == null) {
      Map<String, Derivation> all = new LinkedHashMap<>();
      model
          .typeOf(new ShapeRef(service, shape))
          .ifPresent(
              type ->
                  type.derived()
                      .forEach(
                          field ->
                              new Derivations(type, shapes, shape)
                                  .of(field.name())
                                  .value()
                                  .ifPresent(one -> all.put(field.name(), one))));
      known.put(shape, all);
      made = all;
    }
    return made;
  }
}
