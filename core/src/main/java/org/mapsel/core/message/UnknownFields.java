package org.mapsel.core.message;

import java.util.List;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.shape.Field;
import org.mapsel.core.value.RecordValue;

/** Values that nobody asked for are told, not sent. */
public final class UnknownFields {

  private UnknownFields() {}

  /** An error for each value of a record that has none of the fields. */
  public static void report(List<Field> fields, RecordValue record, Trail path, Findings findings) {
    record.forEach(
        (name, value) -> {
          if (fields.stream().noneMatch(field -> field.name().equals(name))) {
            findings.add(path.then(name).error("MESSAGE_FIELD_UNKNOWN"));
          }
        });
  }
}
