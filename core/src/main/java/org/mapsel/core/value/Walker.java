package org.mapsel.core.value;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;

/**
 * Follows a path through values: the one place that knows what each kind of step means. What can be
 * prepared, such as a pattern, is prepared once for all values.
 */
public final class Walker {

  /** A step ready to be taken; one with a pattern that is none leads nowhere. */
  private record Ready(Step step, Optional<TextCuts> cuts) {}

  private final List<Ready> steps;

  private Walker(List<Ready> steps) {
    this.steps = steps;
  }

  public static Walker of(FieldPath path) {
    return new Walker(
        path.steps().stream()
            .map(
                step ->
                    new Ready(
                        step,
                        step instanceof Step.Cut cut ? TextCuts.of(cut).value() : Optional.empty()))
            .toList());
  }

  /**
   * The one value at the end. A list on the way stands for its first item unless a step picks
   * another; what is not there is {@link Value#ABSENT}.
   */
  public Value one(Value from) {
    Value here = from;
    for (Ready ready : steps) {
      here = next(ready, here);
      if (here.isAbsent()) {
        return here;
      }
    }
    return here;
  }

  private static Value next(Ready ready, Value here) {
    if (ready.step() instanceof Step.Pick pick) {
      return here instanceof ListValue list ? picked(list, pick) : here;
    }
    Value single =
        here instanceof ListValue list
            ? list.items().isEmpty() ? Value.ABSENT : list.items().get(0)
            : here;
    return switch (ready.step()) {
      case Step.Name name ->
          single instanceof RecordValue record ? record.get(name.name()) : Value.ABSENT;
      case Step.Cut cut -> cutOut(ready, single);
      case Step.Pick pick -> throw new IllegalStateException("Picked already.");
    };
  }

  private static Value cutOut(Ready ready, Value text) {
    List<Value> found = cuts(ready, text);
    boolean every = ready.step() instanceof Step.Cut cut && cut.every();
    return every ? new ListValue(found) : found.isEmpty() ? Value.ABSENT : found.get(0);
  }

  /** Everything at the end, through all items of the lists on the way, in their order. */
  public List<Value> all(Value from) {
    List<Value> here = List.of(from);
    for (Ready ready : steps) {
      List<Value> next = new ArrayList<>();
      for (Value value : here) {
        take(ready, value, next);
      }
      here = next;
    }
    List<Value> spread = new ArrayList<>();
    here.forEach(value -> spread(value, spread));
    return spread;
  }

  private static void take(Ready ready, Value value, List<Value> next) {
    if (ready.step() instanceof Step.Pick pick) {
      Value picked = value instanceof ListValue list ? picked(list, pick) : value;
      if (!picked.isAbsent()) {
        next.add(picked);
      }
      return;
    }
    if (value instanceof ListValue list) {
      list.items().forEach(item -> take(ready, item, next));
      return;
    }
    switch (ready.step()) {
      case Step.Name name -> {
        Value inside = value instanceof RecordValue record ? record.get(name.name()) : Value.ABSENT;
        if (!inside.isAbsent()) {
          next.add(inside);
        }
      }
      case Step.Cut cut -> next.addAll(cuts(ready, value));
      case Step.Pick pick -> throw new IllegalStateException("Picked already.");
    }
  }

  private static List<Value> cuts(Ready ready, Value value) {
    return value instanceof TextValue text
        ? ready.cuts().map(cuts -> cuts.in(text.text())).orElse(List.of())
        : List.of();
  }

  private static Value picked(ListValue list, Step.Pick pick) {
    return switch (pick) {
      case Step.PickByKey key -> picked(list, key);
      case Step.PickByPlace place -> {
        int size = list.items().size();
        int at = place.place() < 0 ? size + place.place() : place.place();
        yield at >= 0 && at < size ? list.items().get(at) : Value.ABSENT;
      }
    };
  }

  private static Value picked(ListValue list, Step.PickByKey key) {
    for (Value item : list.items()) {
      if (item instanceof RecordValue record
          && ListValue.plain(record.get(key.field())).equals(Optional.of(key.value()))) {
        return item;
      }
    }
    return Value.ABSENT;
  }

  private static void spread(Value value, List<Value> into) {
    if (value instanceof ListValue list) {
      list.items().forEach(item -> spread(item, into));
    } else if (!value.isAbsent()) {
      into.add(value);
    }
  }
}
