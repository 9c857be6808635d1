package org.mapsel.core.page.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Part;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Lines that were filled in: a list of records whose members are called like the inputs. */
public final class Lines {

  /** More than these nobody fills in by hand; they are refused. */
  public static final int MOST = 1_000;

  private Lines() {}

  static boolean isEmpty(RecordValue line) {
    return line.toMap().values().stream().allMatch(StateScope::isEmpty);
  }

  /** What was typed into a part, with nothing in it but what its inputs take. */
  public static Value checked(Part.Lines part, Value typed) {
    List<Value> lines = new ArrayList<>();
    for (Value line : Rows.of(typed)) {
      if (line instanceof RecordValue record) {
        Map<String, Value> kept = new LinkedHashMap<>();
        for (Input input : part.items()) {
          Value value = record.get(input.id().text());
          if (!value.isAbsent() && !(value instanceof RecordValue)) {
            kept.put(input.id().text(), value);
          }
        }
        lines.add(RecordValue.of(kept));
      }
    }
    return new ListValue(lines);
  }

  /** The values of a line by input; what is empty is absent. */
  static Map<PartId, Value> inputs(Part.Lines part, Value line) {
    Map<PartId, Value> inputs = new LinkedHashMap<>();
    if (line instanceof RecordValue record) {
      for (Input input : part.items()) {
        Value value = record.get(input.id().text());
        if (!StateScope.isEmpty(value)) {
          inputs.put(input.id(), value);
        }
      }
    }
    return inputs;
  }
}
