package org.mapsel.core.value;

import java.util.Optional;
import org.mapsel.core.ref.Cut;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Selector;

/** A value that was typed, sent or returned. */
public sealed interface Value
    permits TextValue,
        NumberValue,
        BooleanValue,
        TimeValue,
        BinaryValue,
        RecordValue,
        ListValue,
        NullValue,
        AbsentValue {

  /** Nothing was there at all; in a message it is left out. */
  Value ABSENT = AbsentValue.INSTANCE;

  /** It was there and said that it has no value. */
  Value NULL = NullValue.INSTANCE;

  static Value text(String text) {
    return new TextValue(text);
  }

  default boolean isAbsent() {
    return this == ABSENT;
  }

  /**
   * The value at the end of a path. A list on the way stands for its first item, or for the first
   * one that a selector picks, so that a path always gives one value; what is not there is {@link
   * #ABSENT}.
   */
  default Value at(FieldPath path) {
    Value here = this;
    for (String step : path.steps()) {
      Optional<Selector> selector = Selector.in(step);
      if (selector.isPresent() && here instanceof ListValue list) {
        here = list.picked(selector.get()).findFirst().orElse(ABSENT);
        continue;
      }
      Optional<Cut> cut = Cut.in(step);
      if (cut.isPresent() && here instanceof TextValue) {
        here = new ListValue(TextCuts.cut(cut.get(), here));
        continue;
      }
      if (here instanceof ListValue list) {
        here = list.items().isEmpty() ? ABSENT : list.items().get(0);
      }
      here = here instanceof RecordValue record ? record.get(step) : ABSENT;
    }
    return here;
  }
}
