package org.mapsel.core.json;

import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

  private static final String BINARY = "$binary";
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private ValueJson() {}

  public static JsonNode write(Value value) {
    return switch (value) {
      case TextValue text -> NODES.stringNode(text.text());
      case NumberValue number -> NODES.numberNode(number.number());
      case BooleanValue bool -> NODES.booleanNode(bool.isTrue());
      case TimeValue time -> NODES.stringNode(time.iso());
      case BinaryValue binary -> binary(binary.bytes());
      case RecordValue record -> {
        ObjectNode node = NODES.objectNode();
        record.forEach((name, field) -> node.set(name, write(field)));
        yield node;
      }
      case ListValue list -> {
        ArrayNode node = NODES.arrayNode(list.items().size());
        list.items().forEach(item -> node.add(write(item)));
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
}
