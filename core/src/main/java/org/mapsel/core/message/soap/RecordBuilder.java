package org.mapsel.core.message.soap;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.Layout;
import org.mapsel.core.value.ListBuilder;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** A record while its element is being read. */
final class RecordBuilder {

  private final Layout layout;
  private final boolean choice;
  private final Value[] values;
  private @Nullable Map<Integer, ListBuilder> lists;
  private @Nullable Map<Integer, GroupItems> groups;
  private int last = -1;

  /** What a group has got so far: one item, or several if it repeats. */
  private record GroupItems(boolean repeated, List<RecordBuilder> items) {

    RecordBuilder current() {
      return items.get(items.size() - 1);
    }

    Value build() {
      return repeated
          ? new ListValue(items.stream().map(item -> (Value) item.build()).toList())
          : current().build();
    }
  }

  RecordBuilder(ReadPlan plan) {
    layout = plan.layout();
    choice = plan.isChoice();
    values = new Value[layout.size()];
  }

  boolean has(int index) {
    return values[index] != null
        || lists != null && lists.containsKey(index)
        || groups != null && groups.containsKey(index);
  }

  /** Whether something that stands later in the shape has been put already. */
  boolean isLate(Slot slot) {
    return (slot.groups().isEmpty() ? slot.index() : slot.groups().get(0).index()) < last;
  }

  /** Makes the groups on the way be there, even if nothing is put into them. */
  void open(List<Slot.GroupStep> steps) {
    int before = last;
    RecordBuilder here = this;
    for (int i = 0; i < steps.size(); i++) {
      boolean end = i == steps.size() - 1;
      here =
          here.group(
              steps.get(i),
              end ? -1 : steps.get(i + 1).index(),
              !end && steps.get(i + 1).repeated());
    }
    last = before;
  }

  /** Puts a value where its slot says, through the groups that lead there. */
  void put(Slot slot, Value value) {
    int before = last;
    RecordBuilder here = this;
    for (int i = 0; i < slot.groups().size(); i++) {
      boolean leaf = i == slot.groups().size() - 1;
      here =
          here.group(
              slot.groups().get(i),
              leaf ? slot.index() : slot.groups().get(i + 1).index(),
              leaf ? slot.field().isRepeated() : slot.groups().get(i + 1).repeated());
    }
    here.last = slot.index();
    if (slot.field().wire() instanceof Wire.SoapHeader
        || slot.field().wire() instanceof Wire.XmlAttribute) {
      // What is no child has no place among the children.
      last = before;
    }
    here.set(slot, value);
  }

  private void set(Slot slot, Value value) {
    if (!slot.field().isRepeated()) {
      values[slot.index()] = value;
      return;
    }
    if (lists == null) {
      lists = new HashMap<>();
    }
    lists.computeIfAbsent(slot.index(), index -> new ListBuilder()).add(value);
  }

  /** The group's item that the next member belongs to: a new one when the last one is past it. */
  private RecordBuilder group(Slot.GroupStep step, int member, boolean memberRepeats) {
    last = step.index();
    if (groups == null) {
      groups = new HashMap<>();
    }
    GroupItems group =
        groups.computeIfAbsent(
            step.index(), index -> new GroupItems(step.repeated(), new ArrayList<>(1)));
    if (group.items().isEmpty()
        || step.repeated() && group.current().isPast(member, memberRepeats)) {
      group.items().add(new RecordBuilder(step.plan()));
    }
    return group.current();
  }

  private boolean isPast(int member, boolean repeats) {
    if (last < 0) {
      return false;
    }
    return choice ? last != member || !repeats : member < last || member == last && !repeats;
  }

  RecordValue build() {
    if (lists != null) {
      lists.forEach((index, items) -> values[index] = items.build());
    }
    if (groups != null) {
      groups.forEach((index, group) -> values[index] = group.build());
    }
    return RecordValue.owning(layout, values);
  }
}
