package org.mapsel.core.message.http;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.message.Trail;
import org.mapsel.core.service.RecordedRequest;
import org.mapsel.core.service.RecordedRequest.Around;
import org.mapsel.core.service.RecordedRequest.One;
import org.mapsel.core.service.RecordedRequest.Piece;
import org.mapsel.core.service.RecordedRequest.Run;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/** Puts values into a text that was given. What has no value stays as it is, to the character. */
final class RecordedBody {

  private final Shapes shapes;
  private final RecordedNotation notation;
  private final StringBuilder out = new StringBuilder();

  /** How many values have found their place. */
  private int placed;

  private RecordedBody(Shapes shapes, RecordedNotation notation) {
    this.shapes = shapes;
    this.notation = notation;
  }

  /**
   * What values are looked up in.
   *
   * @param self the field whose value it is, if it is one
   */
  record Scope(@Nullable Field self, List<Field> fields, Value value, Trail path) {

    /** The same place with something else in it. */
    Scope of(@Nullable Field other, List<Field> its, Value held) {
      return new Scope(other, its, held, path);
    }
  }

  /** Nothing if there is no place in the text for one of the values. */
  static Optional<String> fill(
      Shapes shapes, RecordedNotation notation, List<Piece> pieces, Scope scope) {
    RecordedBody given = new RecordedBody(shapes, notation);
    given.write(pieces, scope);
    return given.placed == values(scope.value)
        ? Optional.of(given.out.toString())
        : Optional.empty();
  }

  private static int values(Value value) {
    if (value instanceof RecordValue record) {
      return record.names().stream().mapToInt(name -> values(record.get(name))).sum();
    }
    if (value instanceof ListValue list) {
      return list.items().stream().mapToInt(RecordedBody::values).sum();
    }
    return value.isAbsent() ? 0 : 1;
  }

  private void write(List<Piece> pieces, Scope scope) {
    for (Piece piece : pieces) {
      switch (piece) {
        case Around around -> out.append(around.text());
        case One one -> one(one, scope);
        case Run run -> run(run, scope);
      }
    }
  }

  private void one(One one, Scope scope) {
    Optional<Scope> found = find(scope, one.steps()).map(this::simple);
    Value value = found.map(Scope::value).orElse(Value.ABSENT);
    if (found.isEmpty() || value.isAbsent()) {
      if (one.given().isEmpty()) {
        notation.missing(found.map(Scope::path).orElse(scope.path));
      }
      out.append(one.raw());
      return;
    }
    Field field = found.get().self;
    placed += values(value);
    if (isAsGiven(field, value, one)) {
      out.append(one.raw());
    } else {
      String text = notation.value(field, value, found.get().path, one);
      out.append(one.before()).append(text).append(one.after());
    }
  }

  /** An element that has attributes elsewhere holds its text as a field. */
  private Scope simple(Scope scope) {
    return scope.self != null && shapes.get(scope.self.shape()) instanceof Shape.Record
        ? step(scope, "").orElse(scope)
        : scope;
  }

  private boolean isAsGiven(Field field, Value value, One one) {
    if (one.given().isEmpty() || value instanceof RecordValue || value instanceof ListValue) {
      return false;
    }
    String given = one.given().get();
    return value != Value.NULL
        && (ScalarText.print(value).equals(given)
            || shapes.get(field.shape()) instanceof Shape.Scalar scalar
                && ScalarText.parse(scalar.type(), given).equals(Optional.of(value)));
  }

  private void run(Run run, Scope scope) {
    Optional<Scope> found = find(scope, run.steps());
    Value value = found.map(Scope::value).orElse(Value.ABSENT);
    if (found.isEmpty() || value.isAbsent()) {
      asGiven(run, found.orElseGet(() -> scope.of(null, List.of(), Value.ABSENT)));
      return;
    }
    Field item = found.get().self.occurring(Occurrence.ONE);
    List<Value> items = value instanceof ListValue list ? list.items() : List.of(value);
    int end = run.last() ? items.size() : Math.min(items.size(), run.first() + run.items().size());
    for (int i = run.first(); i < end; i++) {
      if (i > run.first()) {
        out.append(run.between());
      }
      int number = i - run.first();
      List<Piece> given = number < run.items().size() ? run.items().get(number) : List.of();
      item(given, found.get().of(item, shapes.fieldsOf(item.shape()), items.get(i)));
    }
  }

  /** As the item that was given in this place, unless that has no place for all its values. */
  private void item(List<Piece> given, Scope item) {
    int length = out.length();
    int before = placed;
    write(given, item);
    if (given.isEmpty() || placed - before != values(item.value)) {
      out.setLength(length);
      out.append(notation.item(item.self, item.value, item.path));
      placed = before + values(item.value);
    }
  }

  private void asGiven(Run run, Scope scope) {
    for (int i = 0; i < run.items().size(); i++) {
      if (i > 0) {
        out.append(run.between());
      }
      write(run.items().get(i), scope);
    }
  }

  private Optional<Scope> find(Scope scope, List<String> steps) {
    Optional<Scope> here = Optional.of(scope);
    for (String step : steps) {
      here = here.flatMap(outer -> step(outer, step));
    }
    return here.filter(found -> found.self != null);
  }

  private Optional<Scope> step(Scope scope, String step) {
    return RecordedRequest.named(scope.fields, step)
        .map(
            field ->
                new Scope(
                    field,
                    shapes.fieldsOf(field.shape()),
                    scope.value instanceof RecordValue record
                        ? record.get(field.name())
                        : Value.ABSENT,
                    scope.path.then(field.name())));
  }
}
