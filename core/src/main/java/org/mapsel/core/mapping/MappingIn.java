package org.mapsel.core.mapping;

import java.util.List;
import java.util.Map;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Page values to the parameters of a call. */
public final class MappingIn {

  private MappingIn() {}

  /** The parameters; an empty input leaves its parameter out. */
  public static RecordValue apply(List<Mapping> mappings, Map<PartId, Value> inputs) {
    RecordValue parameters = RecordValue.empty();
    for (Mapping mapping : mappings) {
      if (mapping.target() instanceof Target.Parameter parameter) {
        Value value = value(mapping.source(), inputs);
        if (!value.isAbsent()) {
          parameters = with(parameters, parameter.path(), value);
        }
      }
    }
    return parameters;
  }

  private static Value value(Source source, Map<PartId, Value> inputs) {
    return switch (source) {
      case Source.Fixed fixed -> new TextValue(fixed.text());
      case Source.Entered entered -> given(inputs.getOrDefault(entered.input(), Value.ABSENT));
      // What came back belongs to the answer of this very call and cannot fill it.
      case Source.Returned returned -> Value.ABSENT;
    };
  }

  private static Value given(Value value) {
    if (value instanceof ListValue list) {
      List<Value> items = list.items().stream().filter(item -> !isEmpty(item)).toList();
      return items.isEmpty() ? Value.ABSENT : new ListValue(items);
    }
    return isEmpty(value) ? Value.ABSENT : value;
  }

  /** Whether nothing was put in. */
  public static boolean isEmpty(Value value) {
    return value.isAbsent()
        || value == Value.NULL
        || value instanceof TextValue text && text.text().isEmpty()
        || value instanceof ListValue list && list.items().stream().allMatch(MappingIn::isEmpty);
  }

  /** The record with one value set deep inside; records on the way are made as needed. */
  static RecordValue with(RecordValue record, FieldPath path, Value value) {
    String first = path.steps().get(0);
    if (path.length() == 1) {
      return record.with(first, value);
    }
    RecordValue inner =
        record.get(first) instanceof RecordValue known ? known : RecordValue.empty();
    return record.with(first, with(inner, path.below(FieldPath.of(first)), value));
  }
}
