package org.mapsel.core.message.http;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.CsvTable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.UnknownFields;
import org.mapsel.core.message.Wanted;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.Layout;
import org.mapsel.core.value.ListBuilder;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;

/** Rows of comma-separated values as records of a list. */
final class CsvBody {

  private CsvBody() {}

  /** Whether a field holds rows, and not the text as a whole. */
  static boolean holdsRows(Shapes shapes, Field field) {
    return field.isRepeated() && shapes.get(field.shape()) instanceof Shape.Record;
  }

  /** The rows; nothing if the text is no table. Columns that are not known are told of. */
  static Optional<RecordValue> read(
      Shapes shapes, Field field, String text, Set<FieldPath> wanted, Findings findings) {
    return CsvTable.read(text)
        .map(
            table ->
                RecordValue.of(
                    Map.of(
                        field.name(),
                        rows(
                            shapes,
                            field,
                            table,
                            Wanted.of(wanted).below(field.name()),
                            findings))));
  }

  /**
   * Rows written like a text that was given, with its columns; that text itself where it says the
   * same.
   */
  static String write(
      Shapes shapes, Field field, Value value, String like, Trail path, Findings findings) {
    CsvTable table = CsvTable.read(like).orElseThrow();
    Findings same = new Findings();
    if (read(shapes, field, like, Set.of(), same)
        .filter(given -> given.get(field.name()).equals(value))
        .isPresent()) {
      return like;
    }
    List<Field> columns = shapes.fieldsOf(field.shape());
    List<List<String>> lines = new ArrayList<>();
    for (Value item : value instanceof ListValue list ? list.items() : List.of(value)) {
      RecordValue row = item instanceof RecordValue record ? record : RecordValue.empty();
      UnknownFields.report(columns, row, path, findings);
      lines.add(
          table.names().stream()
              .map(
                  name ->
                      RecordedRequest.named(columns, name)
                          .map(column -> cell(shapes, column, row, path, findings))
                          .orElse(""))
              .toList());
    }
    return table.withRows(lines).write(like);
  }

  private static String cell(
      Shapes shapes, Field column, RecordValue row, Trail path, Findings findings) {
    return new ParameterText(shapes, findings)
        .text(column, row.get(column.name()), path.then(column.name()));
  }

  private static ListValue rows(
      Shapes shapes, Field field, CsvTable table, Wanted wanted, Findings findings) {
    Map<String, Field> byName = new HashMap<>();
    shapes.fieldsOf(field.shape()).forEach(each -> byName.put(each.wire().label(), each));
    Set<String> unknown = new LinkedHashSet<>(table.names());
    unknown.removeAll(byName.keySet());
    if (!unknown.isEmpty()) {
      findings.add(Finding.warning("MESSAGE_COLUMNS_UNKNOWN", "names", String.join(", ", unknown)));
    }
    List<Field> columns =
        table.names().stream()
            .filter(byName::containsKey)
            .map(byName::get)
            .distinct()
            .filter(column -> wanted.has(column.name()))
            .toList();
    Layout layout = Layout.of(columns.stream().map(Field::name).toList());
    ListBuilder rows = new ListBuilder();
    for (List<String> line : table.rows()) {
      Value[] cells = new Value[columns.size()];
      for (int i = 0; i < cells.length; i++) {
        int at = table.names().indexOf(columns.get(i).wire().label());
        cells[i] = at < line.size() ? cell(shapes, columns.get(i), line.get(at)) : Value.ABSENT;
      }
      rows.add(RecordValue.owning(layout, cells));
    }
    return rows.build();
  }

  private static Value cell(Shapes shapes, Field column, String text) {
    if (text.isEmpty()) {
      return Value.ABSENT;
    }
    return shapes.get(column.shape()) instanceof Shape.Scalar scalar
        ? ScalarText.parse(scalar.type(), text).orElse(new TextValue(text))
        : new TextValue(text);
  }
}
