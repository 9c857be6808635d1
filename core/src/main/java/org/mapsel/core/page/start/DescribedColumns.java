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

  private final boolean one;

  private DescribedColumns(List<String> names, Set<String> ways, boolean one) {
    this.names = names;
    this.ways = ways;
    this.one = one;
  }

  static DescribedColumns of(Service service, Operation operation) {
    List<String> names = new ArrayList<>();
    Set<String> ways = new HashSet<>();
    boolean one = false;
    for (OperationWire wire : operation.wires()) {
      if (wire instanceof OperationWire.Entities entities && service.entities().isPresent()) {
        one |= entities.result() == OperationWire.Entities.Result.ONE;
        for (StructuredType type : service.entities().get().line(entities.type())) {
          type.title().filter(title -> !names.contains(title)).ifPresent(names::add);
          type.navigations().forEach(way -> ways.add(way.name()));
          type.columns().stream().filter(column -> !names.contains(column)).forEach(names::add);
        }
      }
    }
    return new DescribedColumns(names, ways, one);
  }

  /** The fields of a list that the description wants shown; none if it does not say. */
  List<FieldPath> described(FieldPath list) {
    return names.stream().map(list::then).toList();
  }

  /** Whether a field is of the entities themselves: what ways lead to costs the service more. */
  boolean isOwn(Row leaf, FieldPath list) {
    return !ways.contains(leaf.path().name(one ? 0 : list.length()));
  }

  /** Whether one entity comes back. */
  boolean isOne() {
    return one;
  }
}
