package org.mapsel.core.serve;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Parameters out of paths, queries and headers, in the styles of OpenAPI 3.1, Parameter Object.
 * What is of no type that was announced stays a text; the check afterwards tells of it.
 */
final class ParameterReader {

  private static final JsonMapper JSON = new JsonMapper();

  private final Shapes shapes;
  private final IncomingRequest asked;

  ParameterReader(Shapes shapes, IncomingRequest asked) {
    this.shapes = shapes;
    this.asked = asked;
  }

  /**
   * The value of a parameter; absent if it was not given.
   *
   * @param inPath values in the path by their name, as they were sent
   */
  Value read(Field field, Wire.Parameter parameter, Map<String, String> inPath) {
    return switch (parameter.in()) {
      case PATH ->
          Optional.ofNullable(inPath.get(parameter.name()))
              .map(text -> simple(field, parameter, plain(text, parameter)))
              .orElse(Value.ABSENT);
      case QUERY, BY_ENDPOINT -> pairs(field, parameter, asked.pairs());
      case QUERY_STRING -> Value.ABSENT;
      case HEADER ->
          asked
              .header(parameter.name())
              .map(text -> simple(field, parameter, text))
              .orElse(Value.ABSENT);
      case COOKIE -> pairs(field, parameter, cookies());
    };
  }

  private List<Map.Entry<String, String>> cookies() {
    return IncomingRequest.pairs(asked.header("Cookie").orElse("").replaceAll(";\\s*", "&"));
  }

  /** Without the marks that the styles label and matrix put in front. */
  private static String plain(String text, Wire.Parameter parameter) {
    String decoded = IncomingRequest.decoded(text.replace("+", "%2B"));
    return switch (parameter.style()) {
      case LABEL -> decoded.replaceFirst("^\\.", "");
      case MATRIX -> decoded.replaceFirst("^;" + Pattern.quote(parameter.name()) + "=", "");
      default -> decoded;
    };
  }

  private Value simple(Field field, Wire.Parameter parameter, String text) {
    if (parameter.content().isPresent()) {
      return json(field, text);
    }
    return field.isRepeated()
        ? new ListValue(Stream.of(text.split(",")).map(item -> scalar(field, item)).toList())
        : scalar(field, text);
  }

  private Value pairs(
      Field field, Wire.Parameter parameter, List<Map.Entry<String, String>> pairs) {
    String name = parameter.name();
    List<String> texts =
        pairs.stream().filter(pair -> pair.getKey().equals(name)).map(Map.Entry::getValue).toList();
    if (parameter.content().isPresent()) {
      return texts.isEmpty() ? Value.ABSENT : json(field, texts.getFirst());
    }
    if (!field.isRepeated() && shapes.get(field.shape()) instanceof Shape.Record) {
      boolean deep = parameter.style() == Wire.Style.DEEP_OBJECT;
      return members(field, pairs, deep ? member -> name + "[" + member + "]" : member -> member);
    }
    if (texts.isEmpty()) {
      return Value.ABSENT;
    }
    if (!field.isRepeated()) {
      return scalar(field, texts.getFirst());
    }
    List<String> items =
        parameter.explode() ? texts : List.of(texts.getFirst().split(delimiter(parameter.style())));
    return new ListValue(items.stream().map(item -> scalar(field, item)).toList());
  }

  private static String delimiter(Wire.Style style) {
    return switch (style) {
      case SPACE_DELIMITED -> " ";
      case PIPE_DELIMITED -> "\\|";
      case TAB_DELIMITED -> "\t";
      default -> ",";
    };
  }

  private Value members(
      Field field, List<Map.Entry<String, String>> pairs, UnaryOperator<String> named) {
    Map<String, Value> values = new LinkedHashMap<>();
    for (Field member : shapes.fieldsOf(field.shape())) {
      String name = named.apply(member.wire().label());
      List<Value> items =
          pairs.stream()
              .filter(pair -> pair.getKey().equals(name))
              .map(pair -> scalar(member, pair.getValue()))
              .toList();
      if (!items.isEmpty()) {
        values.put(member.name(), member.isRepeated() ? new ListValue(items) : items.getFirst());
      }
    }
    return values.isEmpty() ? Value.ABSENT : RecordValue.of(values);
  }

  Value scalar(Field field, String text) {
    return shapes.get(field.shape()) instanceof Shape.Scalar scalar
        ? ScalarText.parse(scalar.type(), text).orElse(Value.text(text))
        : Value.text(text);
  }

  /** A value that stands as JSON where others stand as plain text. */
  Value json(Field field, String text) {
    try {
      return ValueJson.typed(ValueJson.read(JSON.readTree(text)), shapes, field.shape());
    } catch (JacksonException e) {
      throw new Refusal(400, field.name() + " is no JSON: " + e.getOriginalMessage());
    }
  }
}
