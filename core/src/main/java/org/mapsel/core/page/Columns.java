package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.HashSet;
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

  /** From one entity to others. */
  private final Set<String> ways;

  private final String rowsName;

  private Columns(List<String> names, Set<String> questions, Set<String> ways, String rowsName) {
    this.names = names;
    this.questions = questions;
    this.ways = ways;
    this.rowsName = rowsName;
  }

  static Columns of(Service service, Operation operation) {
    List<String> names = new ArrayList<>();
    Set<String> ways = new HashSet<>();
    String rowsName = "";
    for (OperationWire wire : operation.wires()) {
      if (wire instanceof OperationWire.Entities entities) {
        rowsName = lastStep(entities);
        service
            .entities()
            .ifPresent(
                model -> {
                  for (StructuredType type : model.line(entities.type())) {
                    type.title().filter(title -> !names.contains(title)).ifPresent(names::add);
                    type.navigations().forEach(way -> ways.add(way.name()));
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
    return new Columns(names, questions, ways, rowsName);
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

  /** What the rows are called; empty if only their field says it. */
  String rowsName() {
    return rowsName;
  }

  /**
   * The last step of the way to entities: their set, a navigation, or what a function is called.
   */
  private static String lastStep(OperationWire.Entities entities) {
    String path = entities.path().replaceAll("\\([^)]*\\)", "");
    return path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('.')) + 1);
  }

  /** Whether a field is of the rows themselves: what ways lead to costs the service more. */
  boolean isOwn(Row leaf, FieldPath rows) {
    return !ways.contains(leaf.path().steps().get(rows.steps().size()));
  }

  private static boolean isQuestion(Wire wire) {
    return wire instanceof Wire.Parameter parameter
        && parameter.name().startsWith("$")
        && !parameter.name().equals("$search");
  }

  /**
   * Whether a form should ask for a parameter: not if the service makes it or knows one value, nor
   * if it is sent as a sample has it.
   */
  boolean isAsked(Row leaf) {
    return leaf.field().hints().direction() != Hints.Direction.RETURNED_ONLY
        && leaf.field().fixed().isEmpty()
        && !leaf.field().hints().given()
        && !questions.contains(leaf.path().steps().get(0));
  }
}
