package org.mapsel.core.json;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.value.AbsentValue;
import org.mapsel.core.value.BinaryKind;
import org.mapsel.core.value.BinaryValue;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NullValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.TimeValue;
import org.mapsel.core.value.Value;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Values as JSON: records as objects, lists as arrays, absent fields left out. Bytes are an object
 * with the one member {@code $binary}, which says the media type, the size and the bytes in base64.
 */
public final class ValueJson {

  private static final int DIGITS_OF_A_DOUBLE = 15;
  private static final String BINARY = "$binary";
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private ValueJson() {}

  /** A value with all its digits. */
  public static JsonNode write(Value value) {
    return write(value, true);
  }

  /**
   * A value for readers whose numbers are doubles (RFC 8259, section 6), as those of browsers are:
   * a number that would lose digits in one is a text.
   */
  public static JsonNode writeForDoubles(Value value) {
    return write(value, false);
  }

  private static JsonNode number(BigDecimal number, boolean exact) {
    if (exact || isDouble(number)) {
      return NODES.numberNode(number);
    }
    return NODES.stringNode(number.toPlainString());
  }

  private static boolean isDouble(BigDecimal number) {
    double near = number.doubleValue();
    return !Double.isInfinite(near)
        && number.scale() >= 0
        && number.precision() <= DIGITS_OF_A_DOUBLE
        && number.equals(plain(near));
  }

  /** As browsers write it: without a point where nothing stands behind it. */
  private static BigDecimal plain(double number) {
    BigDecimal shortest = BigDecimal.valueOf(number).stripTrailingZeros();
    return shortest.scale() < 0 ? shortest.setScale(0) : shortest;
  }

  private static JsonNode write(Value value, boolean exact) {
    return switch (value) {
      case TextValue text -> NODES.stringNode(text.text());
      case NumberValue number -> number(number.number(), exact);
      case BooleanValue bool -> NODES.booleanNode(bool.isTrue());
      case TimeValue time -> NODES.stringNode(time.iso());
      case BinaryValue binary -> binary(binary.bytes());
      case RecordValue record -> {
        ObjectNode node = NODES.objectNode();
        record.forEach((name, field) -> node.set(name, write(field, exact)));
        yield node;
      }
      case ListValue list -> {
        ArrayNode node = NODES.arrayNode(list.items().size());
        list.items().forEach(item -> node.add(write(item, exact)));
        yield node;
      }
      case NullValue none -> NODES.nullNode();
      case AbsentValue none -> NODES.missingNode();
    };
  }

  private static JsonNode binary(byte[] bytes) {
    ObjectNode inside = NODES.objectNode();
    inside.put("mediaType", BinaryKind.mediaType(bytes));
    inside.put("size", bytes.length);
    inside.put("base64", Base64.getEncoder().encodeToString(bytes));
    return NODES.objectNode().set(BINARY, inside);
  }

  public static Value read(JsonNode node) {
    return switch (node.getNodeType()) {
      case STRING -> new TextValue(node.stringValue());
      case NUMBER -> new NumberValue(node.decimalValue());
      case BOOLEAN -> BooleanValue.of(node.booleanValue());
      case ARRAY -> {
        List<Value> items = new ArrayList<>(node.size());
        node.forEach(item -> items.add(read(item)));
        yield new ListValue(items);
      }
      case OBJECT -> object(node);
      case NULL -> Value.NULL;
      case MISSING, BINARY, POJO -> Value.ABSENT;
    };
  }

  private static Value object(JsonNode node) {
    if (node.has(BINARY)) {
      return binary(node.get(BINARY).path("base64").asString(""));
    }
    Map<String, Value> fields = new LinkedHashMap<>();
    node.properties().forEach(field -> fields.put(field.getKey(), read(field.getValue())));
    return RecordValue.of(fields);
  }

  private static Value binary(String base64) {
    try {
      return new BinaryValue(Base64.getDecoder().decode(base64));
    } catch (IllegalArgumentException e) {
      // Kept as it is, so that whoever checks the value against its shape can say what is wrong.
      return new TextValue(base64);
    }
  }

  /** A record, or an empty one where the JSON is anything else. */
  public static RecordValue readRecord(JsonNode node) {
    return read(node) instanceof RecordValue record ? record : RecordValue.empty();
  }

  /** A record of a shape: what is written as a text is of the type that the shape says. */
  public static RecordValue readRecord(JsonNode node, Shapes shapes, ShapeId shape) {
    return typed(readRecord(node), shapes, shape) instanceof RecordValue record
        ? record
        : RecordValue.empty();
  }

  /** A value in which what is written as a text is of the type that a shape says. */
  public static Value typed(Value value, Shapes shapes, ShapeId shape) {
    return switch (value) {
      case ListValue list ->
          new ListValue(list.items().stream().map(item -> typed(item, shapes, shape)).toList());
      case RecordValue record -> {
        Map<String, Value> fields = new LinkedHashMap<>();
        Map<String, ShapeId> inside = new HashMap<>();
        shapes.fieldsOf(shape).forEach(field -> inside.put(field.name(), field.shape()));
        record.forEach(
            (name, field) ->
                fields.put(
                    name,
                    inside.containsKey(name) ? typed(field, shapes, inside.get(name)) : field));
        yield RecordValue.of(fields);
      }
      case TextValue text ->
          shapes.get(shape) instanceof Shape.Scalar scalar
              ? ScalarText.parse(scalar.type(), text.text()).orElse(text)
              : text;
      default -> value;
    };
  }
}
