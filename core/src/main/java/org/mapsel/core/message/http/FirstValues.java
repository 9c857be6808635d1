package org.mapsel.core.message.http;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.service.RecordedRequest.One;
import org.mapsel.core.service.RecordedRequest.Piece;
import org.mapsel.core.service.RecordedRequest.Run;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** What to try an operation with first: the values of its sample, else made ones. */
public final class FirstValues {

  private final Shapes shapes;

  private FirstValues(Shapes shapes) {
    this.shapes = shapes;
  }

  /** Parameters of the operation. */
  public static RecordValue of(Service service, Operation operation, SampleMaker.Extent extent) {
    RecordValue made =
        withPaths(
            service.shapes(),
            operation.input(),
            SampleMaker.make(service.shapes(), operation.input(), extent));
    return operation.wires().stream()
        .flatMap(wire -> wire.given().stream())
        .findFirst()
        .map(given -> new FirstValues(service.shapes()).over(made, given, operation.input()))
        .orElse(made);
  }

  /** A record in a path needs something in it, even if nothing of it is required. */
  private static RecordValue withPaths(Shapes shapes, ShapeId input, RecordValue made) {
    RecordValue whole = made;
    for (Field field : shapes.fieldsOf(input)) {
      boolean inPath =
          field.wire() instanceof Wire.Parameter parameter && parameter.in() == Wire.In.PATH;
      if (inPath && made.get(field.name()) instanceof RecordValue value && value.present() == 0) {
        whole =
            whole.with(
                field.name(),
                SampleMaker.make(shapes, field.shape(), SampleMaker.Extent.EVERYTHING));
      }
    }
    return whole;
  }

  private RecordValue over(RecordValue made, RecordedRequest given, ShapeId input) {
    Map<String, Value> values = new LinkedHashMap<>(made.toMap());
    List<Field> query = new ArrayList<>();
    for (Field field : shapes.fieldsOf(input)) {
      if (field.wire() instanceof Wire.Body && !given.body().isEmpty()) {
        values.put(field.name(), value(given.body(), field, shapes.fieldsOf(field.shape())));
      } else if (field.wire() instanceof Wire.Parameter parameter
          && parameter.in() == Wire.In.QUERY) {
        query.add(field);
        values.remove(field.name());
      }
    }
    if (value(given.query(), null, query) instanceof RecordValue record) {
      record.forEach(values::put);
    }
    values.values().removeIf(Value::isAbsent);
    return RecordValue.of(values);
  }

  /**
   * The value that pieces hold.
   *
   * @param self the field whose value it is, if it is one
   * @param fields what can be in it
   */
  private Value value(List<Piece> pieces, @Nullable Field self, List<Field> fields) {
    RecordValue inside = RecordValue.empty();
    for (Piece piece : pieces) {
      List<String> steps =
          switch (piece) {
            case RecordedRequest.Around around -> List.of();
            case One one -> one.steps();
            case Run run -> run.steps();
          };
      List<Field> way = RecordedRequest.way(shapes, fields, steps);
      Field field = way.isEmpty() ? self : way.getLast();
      if (piece instanceof RecordedRequest.Around || field == null || way.size() < steps.size()) {
        continue;
      }
      Value value = value(piece, field);
      if (steps.isEmpty() && !value.isAbsent()) {
        return value;
      }
      if (!value.isAbsent()) {
        inside = put(inside, way, value);
      }
    }
    return inside.present() == 0 ? Value.ABSENT : inside;
  }

  private Value value(Piece piece, Field field) {
    if (piece instanceof Run run) {
      Field item = field.occurring(Occurrence.ONE);
      List<Field> fields = shapes.fieldsOf(field.shape());
      List<Value> items =
          run.items().stream()
              .map(one -> value(one, item, fields))
              .filter(one -> !one.isAbsent())
              .toList();
      return items.isEmpty()
          ? Value.ABSENT
          : field.isRepeated() ? new ListValue(items) : items.get(0);
    }
    return ((One) piece).given().map(given -> simple(field, given)).orElse(Value.ABSENT);
  }

  private Value simple(Field field, String given) {
    if (CsvBody.holdsRows(shapes, field)) {
      return CsvBody.read(shapes, field, given, Set.of(), new Findings())
          .map(read -> read.get(field.name()))
          .orElse(Value.ABSENT);
    }
    if (shapes.get(field.shape()) instanceof Shape.Scalar scalar && !field.isRepeated()) {
      return given.isEmpty()
          ? Value.ABSENT
          : ScalarText.parse(scalar.type(), given).orElseGet(() -> Value.text(given));
    }
    // An element that has attributes elsewhere holds its text as a field.
    return RecordedRequest.named(shapes.fieldsOf(field.shape()), "")
        .filter(text -> text.wire() instanceof Wire.XmlText)
        .filter(text -> !simple(text, given).isAbsent())
        .<Value>map(text -> RecordValue.of(Map.of(text.name(), simple(text, given))))
        .orElse(Value.ABSENT);
  }

  private static RecordValue put(RecordValue record, List<Field> way, Value value) {
    String name = way.getFirst().name();
    Value before = record.get(name);
    if (way.size() == 1) {
      return record.with(name, joined(before, value));
    }
    RecordValue inner = before instanceof RecordValue known ? known : RecordValue.empty();
    return record.with(name, put(inner, way.subList(1, way.size()), value));
  }

  /** Items of one list may stand apart. */
  private static Value joined(Value before, Value more) {
    if (before instanceof ListValue first && more instanceof ListValue second) {
      List<Value> both = new ArrayList<>(first.items());
      both.addAll(second.items());
      return new ListValue(both);
    }
    return before.isAbsent() ? more : before;
  }
}
