package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.EntityModel.StructuredType;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Wire;

/** What a description itself says about which fields people should see. */
final class Columns {

  private final List<String> names;

  /** Parameters that narrow or order what comes back. */
  private final Set<String> questions;

  private Columns(List<String> names, Set<String> questions) {
    this.names = names;
    this.questions = questions;
  }

  static Columns of(Service service, Operation operation) {
    List<String> names = new ArrayList<>();
    for (OperationWire wire : operation.wires()) {
      if (wire instanceof OperationWire.Entities entities) {
        service
            .entities()
            .ifPresent(
                model -> {
                  for (StructuredType type : model.line(entities.type())) {
                    type.title().filter(title -> !names.contains(title)).ifPresent(names::add);
                    type.columns().stream()
                        .filter(column -> !names.contains(column))
                        .forEach(names::add);
                  }
                });
      }
    }
    Set<String> questions =
        service.shapes().fieldsOf(operation.input()).stream()
            .filter(field -> isQuestion(field.wire()))
            .map(Field::name)
            .collect(Collectors.toSet());
    return new Columns(names, questions);
  }

  /** The fields that the description wants shown in a list; none if it does not say. */
  List<Row> described(List<Row> leaves, FieldPath rows) {
    List<Row> described = new ArrayList<>();
    for (String name : names) {
      leaves.stream()
          .filter(leaf -> leaf.rows().equals(rows) && leaf.path().equals(rows.then(name)))
          .forEach(described::add);
    }
    return described;
  }

  private static boolean isQuestion(Wire wire) {
    return wire instanceof Wire.Parameter parameter
        && parameter.name().startsWith("$")
        && !parameter.name().equals("$search");
  }

  /** Whether a form should ask for a parameter: not for what the service makes, or for choices. */
  boolean isAsked(Row leaf) {
    return leaf.field().hints().direction() != Hints.Direction.RETURNED_ONLY
        && !questions.contains(leaf.path().steps().get(0));
  }
}
