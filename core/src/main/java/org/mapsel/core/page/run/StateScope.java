package org.mapsel.core.page.run;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mapsel.core.mapping.Plan;
import org.mapsel.core.mapping.Scope;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;

/** What sources find on an open page. */
public final class StateScope implements Scope {

  private final Page page;
  private final Plan plan;
  private final PageState state;
  private final Instant now;

  /** Inputs whose start is being worked out: one that starts with itself starts empty. */
  private final Set<PartId> starting = new HashSet<>();

  public StateScope(Page page, Plan plan, PageState state, Instant now) {
    this.page = page;
    this.plan = plan;
    this.state = state;
    this.now = now;
  }

  /** What stands in an input; absent if nothing does. */
  @Override
  public Value entered(PartId input) {
    Value typed = state.inputs().get(input);
    return typed == null ? start(input) : given(typed);
  }

  private Value start(PartId input) {
    if (!starting.add(input)) {
      return Value.ABSENT;
    }
    try {
      return given(plan.value(new SlotId.OfPart(page.id(), input, Input.START), this));
    } finally {
      starting.remove(input);
    }
  }

  private static Value given(Value value) {
    if (value instanceof ListValue list) {
      List<Value> items = list.items().stream().filter(item -> !isEmpty(item)).toList();
      return items.isEmpty() ? Value.ABSENT : new ListValue(items);
    }
    return isEmpty(value) ? Value.ABSENT : value;
  }

  static boolean isEmpty(Value value) {
    return value.isAbsent()
        || value == Value.NULL
        || value instanceof TextValue text && text.text().isEmpty()
        || value instanceof RecordValue line && Lines.isEmpty(line);
  }

  @Override
  public Value argument(String name) {
    return state.arguments().getOrDefault(name, Value.ABSENT);
  }

  @Override
  public Value chosen(PartId part) {
    Integer row = state.chosen().get(part);
    Value rows = plan.value(new SlotId.OfPart(page.id(), part, Part.OverRows.ROWS), this);
    List<Value> all = Rows.of(rows);
    return row == null || row < 0 || row >= all.size() ? Value.ABSENT : all.get(row);
  }

  @Override
  public Value returned(CallId call) {
    return state.returned(call);
  }

  @Override
  public Value row() {
    return Value.ABSENT;
  }

  @Override
  public Value run(Source.Run.What what) {
    return switch (what) {
      case NOW -> new TimeValue(TimeValue.Kind.DATE_TIME, now.toString());
      case TODAY ->
          new TimeValue(TimeValue.Kind.DATE, now.atOffset(ZoneOffset.UTC).toLocalDate().toString());
      case PAGE -> new TextValue(page.name());
      case FAILURE -> state.failure().isEmpty() ? Value.ABSENT : new TextValue(state.failure());
    };
  }
}
