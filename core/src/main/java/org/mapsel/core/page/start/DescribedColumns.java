package org.mapsel.core.page.start;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.EntityModel.StructuredType;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.FieldTree.Row;

/** What a description itself says about which fields people should see. */
final class DescribedColumns {

  private final List<String> names;

  /** From one entity to others. */
  private final Set<String> ways;

  private DescribedColumns(List<String> names, Set<String> ways) {
    this.names = names;
    this.ways = ways;
  }

  static DescribedColumns of(Service service, Operation operation) {
    List<String> names = new ArrayList<>();
    Set<String> ways = new HashSet<>();
    for (OperationWire wire : operation.wires()) {
      if (wire instanceof OperationWire.Entities entities && service.entities().isPresent()) {
        for (StructuredType type : service.entities().get().line(entities.type())) {
          type.title().filter(title -> !names.contains(title)).ifPresent(names::add);
          type.navigations().forEach(way -> ways.add(way.name()));
          type.columns().stream().filter(column -> !names.contains(column)).forEach(names::add);
        }
      }
    }
    return new DescribedColumns(names, ways);
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

  /** Whether a field is of the rows themselves: what ways lead to costs the service more. */
  boolean isOwn(Row leaf, FieldPath rows) {
    return !ways.contains(leaf.path().name(rows.length()));
  }
}
