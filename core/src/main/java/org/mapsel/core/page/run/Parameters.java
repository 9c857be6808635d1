package org.mapsel.core.page.run;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** The parameters that a call is made with. */
public final class Parameters {

  private Parameters() {}

  /** A record with what the slots of the call give; what gives nothing is left out. */
  public static RecordValue of(PagePlan plan, Call call, Scope scope) {
    Page page = plan.page();
    RecordValue parameters = RecordValue.empty();
    for (Call.Parameter parameter : call.parameters()) {
      FieldPath path = parameter.path();
      if (page.around(call, path).isPresent() || isChoice(plan, call, path)) {
        continue;
      }
      boolean rows = call.parameters().stream().anyMatch(other -> isInside(other.path(), path));
      Value value =
          rows ? items(plan, call, path, scope) : plan.plan().value(slot(page, call, path), scope);
      if (!value.isAbsent()) {
        parameters = with(parameters, path, value);
      }
    }
    return chosen(plan, call, FieldPath.ROOT, parameters, scope);
  }

  private static boolean isChoice(PagePlan plan, Call call, FieldPath path) {
    return plan.alternatives().containsKey(slot(plan.page(), call, path));
  }

  /**
   * What was filled, with only that alternative in it that was chosen wherever there is a choice.
   *
   * @param around the way to the record
   */
  private static RecordValue chosen(
      PagePlan plan, Call call, FieldPath around, RecordValue filled, Scope scope) {
    // From the inside out: what is not chosen goes with all that is chosen in it.
    List<FieldPath> choices =
        call.parameters().stream()
            .map(Call.Parameter::path)
            .filter(path -> isInside(path, around) && isChoice(plan, call, path))
            .sorted(Comparator.comparingInt(FieldPath::length).reversed())
            .toList();
    RecordValue left = filled;
    for (FieldPath path : choices) {
      SlotId slot = slot(plan.page(), call, path);
      FieldPath way = path.below(around);
      Value all = left.at(way);
      if (plan.plan().value(slot, scope) instanceof TextValue name) {
        boolean mayBeEmpty = plan.alternatives().get(slot).contains(name.text());
        left = with(left, way, only(name.text(), all, mayBeEmpty));
      } else if (!all.isAbsent()) {
        left = with(left, way, Value.ABSENT);
      }
    }
    return left;
  }

  private static RecordValue only(String alternative, Value all, boolean mayBeEmpty) {
    Value one = all instanceof RecordValue record ? record.get(alternative) : Value.ABSENT;
    return RecordValue.of(
        Map.of(alternative, one.isAbsent() && mayBeEmpty ? RecordValue.empty() : one));
  }

  static SlotId slot(Page page, Call call, FieldPath path) {
    return new SlotId.OfParameter(page.id(), call.id(), path);
  }

  private static boolean isInside(FieldPath path, FieldPath around) {
    return path.length() > around.length() && path.startsWith(around);
  }

  /**
   * One item for each row, or each line, that fills a repeated parameter, with what is inside
   * filled of the row; of a single record only one.
   */
  private static Value items(PagePlan plan, Call call, FieldPath around, Scope scope) {
    Page page = plan.page();
    Value rows = plan.plan().value(slot(page, call, around), scope);
    Optional<Part.Lines> lines = call.mapping(around).flatMap(page::linesOf);
    List<Value> items = new ArrayList<>();
    for (Value row : Rows.of(rows)) {
      Scope here =
          lines.map(part -> scope.onLine(Lines.inputs(part, row))).orElseGet(() -> scope.at(row));
      RecordValue item = item(plan, call, around, here);
      if (item.present() > 0) {
        items.add(item);
      }
    }
    return items.isEmpty()
        ? Value.ABSENT
        : rows instanceof ListValue ? new ListValue(items) : items.getFirst();
  }

  private static RecordValue item(PagePlan plan, Call call, FieldPath around, Scope scope) {
    RecordValue item = RecordValue.empty();
    for (Call.Parameter inside : call.parameters()) {
      if (isInside(inside.path(), around) && !isChoice(plan, call, inside.path())) {
        Value value = plan.plan().value(slot(plan.page(), call, inside.path()), scope);
        item = value.isAbsent() ? item : with(item, inside.path().below(around), value);
      }
    }
    return chosen(plan, call, around, item, scope);
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
