package org.mapsel.core.message.http;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.message.ItemsCheck;
import org.mapsel.core.message.ParameterCheck;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.json.JsonMessage;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Occurrence;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;

/**
 * Parameters as text, in the styles of OpenAPI 3.1, Parameter Object, which follow RFC 6570,
 * section 3.2.
 */
final class ParameterText {

  /** One name with one value, which is encoded already where that was asked for. */
  record Pair(String name, String value) {}

  private final Shapes shapes;
  private final Findings findings;

  ParameterText(Shapes shapes, Findings findings) {
    this.shapes = shapes;
    this.findings = findings;
  }

  /**
   * The names and values of a parameter that stands in a query, a cookie or a form.
   *
   * @param encode what is done to every value; what separates the items of a list stays
   */
  List<Pair> pairs(
      Field field,
      String name,
      Wire.Style style,
      boolean explode,
      Value value,
      Trail path,
      UnaryOperator<String> encode) {
    List<Pair> pairs = new ArrayList<>();
    if (value instanceof RecordValue record && isRecord(field)) {
      List<Pair> members =
          members(field, record, path).stream()
              .map(pair -> new Pair(pair.name, encode.apply(pair.value)))
              .toList();
      record(name, style, explode, members, pairs);
    } else if (value instanceof ListValue || field.isRepeated()) {
      List<String> items = items(field, value, path).stream().map(encode).toList();
      if (explode || style == Wire.Style.DEEP_OBJECT) {
        items.forEach(item -> pairs.add(new Pair(name, item)));
      } else if (!items.isEmpty()) {
        pairs.add(new Pair(name, String.join(delimiter(style), items)));
      }
    } else {
      pairs.add(new Pair(name, encode.apply(text(field, value, path))));
    }
    return pairs;
  }

  private boolean isRecord(Field field) {
    return shapes.get(field.shape()) instanceof Shape.Record;
  }

  private static void record(
      String name, Wire.Style style, boolean explode, List<Pair> members, List<Pair> pairs) {
    if (style == Wire.Style.DEEP_OBJECT) {
      members.forEach(pair -> pairs.add(new Pair(name + "[" + pair.name + "]", pair.value)));
    } else if (explode) {
      pairs.addAll(members);
    } else {
      String joined =
          members.stream()
              .map(pair -> pair.name + delimiter(style) + pair.value)
              .collect(Collectors.joining(delimiter(style)));
      pairs.add(new Pair(name, joined));
    }
  }

  /** A record inside a record has its names in brackets after that of the outer one. */
  private List<Pair> members(Field field, RecordValue record, Trail path) {
    List<Pair> pairs = new ArrayList<>();
    for (Field member : shapes.fieldsOf(field.shape())) {
      Value value = record.get(member.name());
      Trail inside = path.then(member.name());
      if (member.wire() instanceof Wire.Entries) {
        entries(value, inside, pairs);
      } else if (value.isAbsent()) {
        required(member, inside);
      } else if (value instanceof RecordValue deeper && isRecord(member)) {
        for (Pair pair : members(member, deeper, inside)) {
          pairs.add(new Pair(member.wire().label() + "[" + pair.name + "]", pair.value));
        }
      } else {
        for (String item : items(member, value, inside)) {
          pairs.add(new Pair(member.wire().label(), item));
        }
      }
    }
    return pairs;
  }

  private static void entries(Value value, Trail path, List<Pair> pairs) {
    for (Value entry : value instanceof ListValue list ? list.items() : List.<Value>of()) {
      if (entry instanceof RecordValue record && !(record.get("value") instanceof RecordValue)) {
        pairs.add(
            new Pair(ScalarText.print(record.get("name")), ScalarText.print(record.get("value"))));
      }
    }
  }

  void required(Field field, Trail path) {
    if (field.isRequired()) {
      findings.add(path.error("MESSAGE_PARAMETER_MISSING"));
    }
  }

  private List<String> items(Field field, Value value, Trail path) {
    List<Value> items = value instanceof ListValue list ? list.items() : List.of(value);
    if (field.isRepeated()) {
      ItemsCheck.check(field.occurrence(), items, path, findings);
    }
    return items.stream().map(item -> text(field, item, path)).toList();
  }

  private static String delimiter(Wire.Style style) {
    return switch (style) {
      case SPACE_DELIMITED -> "%20";
      case PIPE_DELIMITED -> "%7C";
      case TAB_DELIMITED -> "%09";
      case FORM, SIMPLE, LABEL, MATRIX, DEEP_OBJECT -> ",";
    };
  }

  /** A single value; what has members of its own is written as JSON. */
  String text(Field field, Value value, Trail path) {
    Shape shape = shapes.get(field.shape());
    if (value == Value.NULL || value.isAbsent()) {
      return "";
    }
    if (shape instanceof Shape.Scalar scalar) {
      if (value instanceof RecordValue || value instanceof ListValue) {
        findings.add(path.error("MESSAGE_SIMPLE_EXPECTED"));
        return "";
      }
      String text = ParameterCheck.of(scalar).text(value, path, findings);
      return text == null ? "" : text;
    }
    return value instanceof RecordValue || value instanceof ListValue
        ? json(value instanceof ListValue ? field : field.occurring(Occurrence.ONE), value, path)
        : ScalarText.print(value);
  }

  String json(Field field, Value value, Trail path) {
    return new String(
        JsonMessage.write(shapes, field, value, path, findings), StandardCharsets.UTF_8);
  }

  /** What stands in a path or a header for a parameter, percent-encoded by the function given. */
  String expanded(
      Field field,
      Wire.Parameter parameter,
      Value value,
      Trail path,
      UnaryOperator<String> encode) {
    boolean label = parameter.style() == Wire.Style.LABEL;
    boolean matrix = parameter.style() == Wire.Style.MATRIX;
    String name = parameter.name();
    String between = parameter.explode() ? (label ? "." : matrix ? ";" : ",") : ",";
    String start = label ? "." : matrix ? ";" : "";
    if (value instanceof RecordValue record && isRecord(field)) {
      String equals = parameter.explode() ? "=" : ",";
      String members =
          members(field, record, path).stream()
              .map(pair -> encode.apply(pair.name) + equals + encode.apply(pair.value))
              .collect(Collectors.joining(between));
      return matrix && !parameter.explode() ? start + name + "=" + members : start + members;
    }
    List<String> items = items(field, value, path).stream().map(encode).toList();
    if (!matrix) {
      return start + String.join(between, items);
    }
    return parameter.explode()
        ? items.stream().map(item -> ";" + name + "=" + item).collect(Collectors.joining())
        : start + name + "=" + String.join(",", items);
  }
}
