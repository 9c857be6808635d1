package org.mapsel.core.page.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.mapping.Plan;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** The parameters that a call is made with. */
public final class Parameters {

  private Parameters() {}

  /** A record with what the slots of the call give; what gives nothing is left out. */
  public static RecordValue of(Page page, Call call, Plan plan, Scope scope) {
    RecordValue parameters = RecordValue.empty();
    for (Call.Parameter parameter : call.parameters()) {
      if (call.around(parameter.path()).isPresent()) {
        continue;
      }
      boolean rows =
          call.parameters().stream().anyMatch(other -> isInside(other.path(), parameter.path()));
      Value value =
          rows
              ? items(page, call, parameter.path(), plan, scope)
              : plan.value(slot(page, call, parameter.path()), scope);
      if (!value.isAbsent()) {
        parameters = with(parameters, parameter.path(), value);
      }
    }
    return parameters;
  }

  private static SlotId slot(Page page, Call call, FieldPath path) {
    return new SlotId.OfParameter(page.id(), call.id(), path);
  }

  private static boolean isInside(FieldPath path, FieldPath around) {
    return path.length() > around.length() && path.startsWith(around);
  }

  /**
   * One item for each row, or each line, that fills a repeated parameter, with what is inside
   * filled of the row; of a single record only one.
   */
  private static Value items(Page page, Call call, FieldPath around, Plan plan, Scope scope) {
    Value rows = plan.value(slot(page, call, around), scope);
    Optional<Part.Lines> lines = call.mapping(around).flatMap(page::linesOf);
    List<Value> items = new ArrayList<>();
    for (Value row : Rows.of(rows)) {
      Scope here =
          lines.map(part -> scope.onLine(Lines.inputs(part, row))).orElseGet(() -> scope.at(row));
      RecordValue item = item(page, call, around, plan, here);
      if (item.present() > 0) {
        items.add(item);
      }
    }
    return items.isEmpty()
        ? Value.ABSENT
        : rows instanceof ListValue ? new ListValue(items) : items.getFirst();
  }

  private static RecordValue item(Page page, Call call, FieldPath around, Plan plan, Scope scope) {
    RecordValue item = RecordValue.empty();
    for (Call.Parameter inside : call.parameters()) {
      if (isInside(inside.path(), around)) {
        Value value = plan.value(slot(page, call, inside.path()), scope);
        item = value.isAbsent() ? item : with(item, inside.path().below(around), value);
      }
    }
    return item;
  }

  /** The record with one value set deep inside; records on the way are made as needed. */
  static RecordValue with(RecordValue record, FieldPath path, Value value) {
    String first = path.name(0);
    if (path.length() == 1) {
      return record.with(first, value);
    }
    RecordValue inner =
        record.get(first) instanceof RecordValue known ? known : RecordValue.empty();
    return record.with(first, with(inner, path.below(path.first(1)), value));
  }
}
