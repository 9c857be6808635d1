package org.mapsel.core.mapping;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.service.Link;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * The parameters that a link hands on from one exchange to the next operation (OpenAPI 3.1, Link
 * Object and Runtime Expressions). What only the exchange itself would tell, such as its status or
 * headers, is left out.
 */
public final class HandedOn {

  /** An expression in braces inside of a text. */
  private static final Pattern EMBEDDED = Pattern.compile("\\{(\\$[^{}]*)\\}");

  private static final String ASKED = "$request.";
  private static final String ANSWERED = "$response.";
  private static final String BODY = "body";

  private final Shapes shapes;
  private final Operation from;
  private final RecordValue parameters;
  private final Value answer;

  private HandedOn(Service service, Operation from, RecordValue parameters, Value answer) {
    this.shapes = service.shapes();
    this.from = from;
    this.parameters = parameters;
    this.answer = answer;
  }

  /**
   * The parameters of the operation that a link leads to.
   *
   * @param from the operation that was asked
   * @param parameters what it was asked with
   * @param answer what it answered
   */
  public static RecordValue over(
      Link link, Service service, Operation from, RecordValue parameters, Value answer) {
    HandedOn handed = new HandedOn(service, from, parameters, answer);
    Map<String, Value> values = new LinkedHashMap<>();
    Operation next = service.getOperation(link.target());
    for (Field field : service.shapes().fieldsOf(next.input())) {
      Value value = handed.value(field.wire(), link);
      boolean several = value instanceof ListValue;
      if (!value.isAbsent() && (!several || field.isRepeated())) {
        values.put(field.name(), value);
      }
    }
    return RecordValue.of(values);
  }

  private Value value(Wire wire, Link link) {
    return switch (wire) {
      case Wire.Parameter parameter ->
          Optional.ofNullable(link.parameters().get(place(parameter.in()) + "." + parameter.name()))
              .or(() -> Optional.ofNullable(link.parameters().get(parameter.name())))
              .map(this::evaluated)
              .orElse(Value.ABSENT);
      case Wire.Body body -> link.body().map(this::evaluated).orElse(Value.ABSENT);
      default -> Value.ABSENT;
    };
  }

  private static String place(Wire.In in) {
    return in.name().toLowerCase(Locale.ROOT);
  }

  private Value evaluated(String expression) {
    if (expression.startsWith("$")) {
      return expression(expression);
    }
    Matcher embedded = EMBEDDED.matcher(expression);
    StringBuilder text = new StringBuilder();
    while (embedded.find()) {
      Value value = expression(embedded.group(1));
      if (value instanceof RecordValue || value instanceof ListValue) {
        return Value.ABSENT;
      }
      embedded.appendReplacement(text, Matcher.quoteReplacement(ScalarText.print(value)));
    }
    return Value.text(embedded.appendTail(text).toString());
  }

  private Value expression(String expression) {
    if (expression.startsWith(ANSWERED)) {
      return inBody(expression.substring(ANSWERED.length()), from.output(), answer);
    }
    if (!expression.startsWith(ASKED)) {
      return Value.ABSENT;
    }
    String asked = expression.substring(ASKED.length());
    for (Field field : shapes.fieldsOf(from.input())) {
      Value given = parameters.get(field.name());
      if (field.wire() instanceof Wire.Parameter parameter
          && asked.equals(place(parameter.in()) + "." + parameter.name())) {
        return given;
      }
      if (field.wire() instanceof Wire.Body && asked.startsWith(BODY)) {
        return inBody(asked, field.shape(), given);
      }
    }
    return Value.ABSENT;
  }

  /** What {@code body} or a JSON pointer behind it means in a value. */
  private Value inBody(String expression, ShapeId shape, Value value) {
    if (expression.equals(BODY)) {
      return whole(shape, value);
    }
    if (!expression.startsWith(BODY + "#/")) {
      return Value.ABSENT;
    }
    ShapeId here = shape;
    Value found = value;
    for (String step : expression.substring((BODY + "#/").length()).split("/", -1)) {
      if (found instanceof ListValue list) {
        found = item(list, step);
        continue;
      }
      Optional<Field> field = field(here, step.replace("~1", "/").replace("~0", "~"));
      if (field.isEmpty() || !(found instanceof RecordValue record)) {
        return Value.ABSENT;
      }
      here = field.get().shape();
      found = record.get(field.get().name());
      if (isWhole(field.get()) && found instanceof ListValue list) {
        // A list that is the whole answer is a field, but no step of a pointer.
        found = item(list, step);
      }
    }
    return found instanceof RecordValue || found instanceof ListValue ? Value.ABSENT : found;
  }

  private Value whole(ShapeId shape, Value value) {
    List<Field> fields = shapes.fieldsOf(shape);
    return fields.size() == 1 && isWhole(fields.get(0)) && value instanceof RecordValue record
        ? record.get(fields.get(0).name())
        : value;
  }

  private static boolean isWhole(Field field) {
    return field.wire() instanceof Wire.Whole;
  }

  private Optional<Field> field(ShapeId shape, String step) {
    List<Field> fields = shapes.fieldsOf(shape);
    return fields.stream()
        .filter(field -> !isWhole(field) && field.wire().label().equals(step))
        .findFirst()
        .or(() -> fields.stream().filter(HandedOn::isWhole).findFirst());
  }

  private static Value item(ListValue list, String step) {
    int index = step.matches("\\d{1,8}") ? Integer.parseInt(step) : list.items().size();
    return index < list.items().size() ? list.items().get(index) : Value.ABSENT;
  }
}
