package org.mapsel.core.message.odata;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.EntityQuery;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Asks only for the properties, and the entities along with them, that somebody looks at. */
final class Narrowing {

  private static final Set<String> ABOUT_ROWS = Set.of("count", "next");
  private static final Set<String> ABOUT_STATE = Set.of("etag", "metadata");

  private Narrowing() {}

  static RecordValue of(
      Service service, Operation operation, RecordValue values, Set<FieldPath> wanted) {
    Optional<Field> select = option(service, operation, EntityQuery.SELECT);
    if (wanted.isEmpty()
        || select.isEmpty()
        || !values.get(select.get().name()).isAbsent()
        || !(operation.wires().get(0) instanceof OperationWire.Entities wire)) {
      return values;
    }
    Optional<Field> expand = option(service, operation, EntityQuery.EXPAND);
    Set<String> properties = allowed(service, select.get());
    Set<String> ways = expand.map(field -> allowed(service, field)).orElse(Set.of());
    boolean rows = wire.result() == OperationWire.Entities.Result.ROWS;
    Set<String> selected = new LinkedHashSet<>();
    Set<String> expanded = new LinkedHashSet<>();
    for (FieldPath path : new TreeSet<>(wanted)) {
      int step = rows ? 1 : 0;
      if (rows && ABOUT_ROWS.contains(path.name(0))) {
        continue;
      }
      if (path.length() <= step) {
        return values;
      }
      String name = path.name(step);
      if (ways.contains(name)) {
        expanded.add(name);
      } else if (properties.contains(name)) {
        selected.add(name);
      } else if (!ABOUT_STATE.contains(name)) {
        // What cannot be asked for by name comes only with everything else.
        return values;
      }
    }
    if (wire.old() && !selected.isEmpty()) {
      selected.addAll(expanded);
    }
    RecordValue narrowed = values;
    if (!selected.isEmpty()) {
      narrowed = narrowed.with(select.get().name(), texts(selected));
    }
    return expand.isPresent() && !expanded.isEmpty() && values.get(expand.get().name()).isAbsent()
        ? narrowed.with(expand.get().name(), texts(expanded))
        : narrowed;
  }

  private static Optional<Field> option(Service service, Operation operation, String name) {
    return service.shapes().fieldsOf(operation.input()).stream()
        .filter(
            field ->
                field.wire() instanceof Wire.Parameter parameter && parameter.name().equals(name))
        .findFirst();
  }

  private static Set<String> allowed(Service service, Field field) {
    return service.shapes().get(field.shape()) instanceof Shape.Scalar scalar
        ? Set.copyOf(scalar.facets().enumeration())
        : Set.of();
  }

  private static ListValue texts(Set<String> names) {
    List<Value> texts = new ArrayList<>();
    names.forEach(name -> texts.add(Value.text(name)));
    return new ListValue(texts);
  }
}
