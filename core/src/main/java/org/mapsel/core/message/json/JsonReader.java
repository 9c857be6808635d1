package org.mapsel.core.message.json;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.json.JsonPlan.Slot;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListBuilder;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Reads JSON by its plans; takes more than was announced, and says so. */
final class JsonReader {

  private static final int SHOWN_CHARACTERS = 40;

  /** What follows the part that is read belongs to others. */
  private static final JsonMapper MAPPER =
      JsonMapper.builder().disable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS).build();

  private final Findings findings;
  private final JsonDialect dialect;

  /** How many things are open in which unknown members are nothing to wonder about. */
  private int silent;

  JsonReader(Findings findings, JsonDialect dialect) {
    this.dialect = dialect;
    this.findings = findings;
  }

  /** Reads the value that the parser stands on into a record; stands at its end afterwards. */
  RecordValue root(JsonPlan plan, JsonParser parser) {
    plan.layout();
    Slot whole = plan.whole();
    if (whole != null) {
      return wholeOf(plan, whole, parser);
    }
    Slot only = plan.member(dialect == JsonDialect.ODATA_2 ? "results" : "");
    if (only == null && dialect == JsonDialect.ODATA_2) {
      only = plan.member("value");
    }
    boolean bare = parser.currentToken() != JsonToken.START_OBJECT;
    return only != null && bare ? wholeOf(plan, only, parser) : record(plan, parser);
  }

  private RecordValue wholeOf(JsonPlan plan, Slot whole, JsonParser parser) {
    Value[] values = new Value[plan.layout().size()];
    Value value = member(whole, parser);
    if (whole.index() >= 0) {
      values[whole.index()] = value;
    }
    return RecordValue.owning(plan.layout(), values);
  }

  private RecordValue record(JsonPlan plan, JsonParser parser) {
    if (parser.currentToken() != JsonToken.START_OBJECT) {
      mismatch("the answer", parser, "a record");
      parser.skipChildren();
      return RecordValue.empty();
    }
    if (plan.kind() != null || plan.shape() instanceof Shape.OneOf) {
      return choice(plan, MAPPER.readTree(parser));
    }
    return object(plan, parser);
  }

  private RecordValue object(JsonPlan plan, JsonParser parser) {
    Value[] values = new Value[plan.layout().size()];
    List<Value> others = null;
    for (String name = parser.nextName(); name != null; name = parser.nextName()) {
      parser.nextToken();
      Slot slot = plan.member(name);
      if (slot != null) {
        if (slot.index() < 0) {
          parser.skipChildren();
        } else {
          values[slot.index()] = member(slot, parser);
        }
        continue;
      }
      Slot entries = plan.entries();
      if (entries != null && entries.index() >= 0) {
        others = others == null ? new ArrayList<>() : others;
        others.add(entry(JsonPlan.inside(entries), name, parser));
      } else {
        unannounced(plan, name);
        parser.skipChildren();
      }
    }
    Slot entries = plan.entries();
    if (entries != null && entries.index() >= 0 && others != null) {
      values[entries.index()] = new ListValue(others);
    }
    for (Slot slot : plan.required()) {
      if (values[slot.index()] == null && plan.isNews(slot.field().name(), "absent")) {
        findings.add(Finding.warning("MESSAGE_FIELD_ABSENT", "field", slot.field().name()));
      }
    }
    return RecordValue.owning(plan.layout(), values);
  }

  private void unannounced(JsonPlan plan, String name) {
    // What a format says of its own data is no field of anybody's.
    if (silent == 0
        && plan.entries() == null
        && !name.startsWith("@")
        && name.indexOf('@') < 0
        && !name.equals("__metadata")
        && plan.isNews(name, "extra")) {
      findings.add(Finding.note("MESSAGE_FIELD_UNANNOUNCED", "element", name));
    }
  }

  private Value entry(JsonPlan plan, String name, JsonParser parser) {
    Value[] values = new Value[plan.layout().size()];
    Slot whole = plan.whole();
    Slot key = plan.member("");
    if (key != null && key.index() >= 0) {
      values[key.index()] = new TextValue(name);
    }
    if (whole != null && whole.index() >= 0) {
      values[whole.index()] = member(whole, parser);
    } else {
      parser.skipChildren();
    }
    return RecordValue.owning(plan.layout(), values);
  }

  /** The value of a field: a list if it repeats. */
  private Value member(Slot slot, JsonParser parser) {
    JsonToken token = parser.currentToken();
    if (token == JsonToken.VALUE_NULL) {
      return Value.NULL;
    }
    if (!slot.field().isRepeated()) {
      return dialect == JsonDialect.ODATA_2
              && slot.plan() != null
              && token == JsonToken.START_OBJECT
          ? linked(slot, MAPPER.readTree(parser))
          : one(slot, parser);
    }
    ListBuilder items = new ListBuilder();
    if (dialect == JsonDialect.ODATA_2 && token == JsonToken.START_OBJECT) {
      // Lists of version 2.0 stand in an object of their own, or only a link to them does.
      JsonNode results = MAPPER.readTree(parser).path("results");
      return results.isArray() ? member(slot, parser(results)) : Value.ABSENT;
    }
    if (token != JsonToken.START_ARRAY) {
      // One item without its list is what some services make of lists of one.
      items.add(one(slot, parser));
      return items.build();
    }
    while (parser.nextToken() != JsonToken.END_ARRAY) {
      items.add(parser.currentToken() == JsonToken.VALUE_NULL ? Value.NULL : one(slot, parser));
    }
    return items.build();
  }

  /** In version 2.0 only a link stands for an entity that was not asked for with this one. */
  private Value linked(Slot slot, JsonNode node) {
    return node.has("__deferred") ? Value.ABSENT : one(slot, parser(node));
  }

  private Value one(Slot slot, JsonParser parser) {
    JsonPlan plan = slot.plan();
    if (plan != null) {
      return inside(slot.field(), plan, parser);
    }
    if (slot.shape() instanceof Shape.Scalar scalar) {
      return scalar(slot.field(), scalar, parser);
    }
    return open(parser);
  }

  private static Value open(JsonParser parser) {
    JsonNode node = MAPPER.readTree(parser);
    return ValueJson.read(node);
  }

  private Value inside(Field field, JsonPlan plan, JsonParser parser) {
    plan.layout();
    Slot whole = plan.whole();
    if (whole != null && plan.shape() instanceof Shape.Record) {
      return wholeOf(plan, whole, parser);
    }
    if (plan.shape() instanceof Shape.OneOf) {
      return choice(plan, MAPPER.readTree(parser));
    }
    if (parser.currentToken() != JsonToken.START_OBJECT) {
      mismatch(field.name(), parser, "a record");
      return open(parser);
    }
    boolean own = field.wire().label().startsWith("__");
    silent += own ? 1 : 0;
    RecordValue read = record(plan, parser);
    silent -= own ? 1 : 0;
    return read;
  }

  /** One of several types: the one that it says, or that it looks most like. */
  private RecordValue choice(JsonPlan plan, JsonNode node) {
    Slot kind = plan.kind();
    if (kind != null) {
      JsonPlan kinds = JsonPlan.inside(kind);
      if (kind.index() >= 0 && Variants.isSilent(kinds.alternatives(), node)) {
        return object(plan, parser(node));
      }
      RecordValue own = object(plan, withoutOthers(plan, node));
      if (kind.index() < 0) {
        return own;
      }
      silent++;
      RecordValue chosen = choice(kinds, node);
      silent--;
      return own.with(kind.field().name(), chosen);
    }
    Slot best = Variants.best(plan.alternatives(), node);
    if (best == null || best.index() < 0) {
      return RecordValue.empty();
    }
    Value value = member(best, parser(node));
    return RecordValue.of(Map.of(best.field().name(), value));
  }

  private static JsonParser parser(JsonNode node) {
    JsonParser parser = node.traverse(ObjectReadContext.empty());
    parser.nextToken();
    return parser;
  }

  /** What belongs to one of the types is nothing to wonder about. */
  private static JsonParser withoutOthers(JsonPlan plan, JsonNode node) {
    ObjectNode own = MAPPER.createObjectNode();
    node.properties().stream()
        .filter(member -> plan.names().contains(member.getKey()))
        .forEach(member -> own.set(member.getKey(), member.getValue()));
    return parser(own);
  }

  private Value scalar(Field field, Shape.Scalar scalar, JsonParser parser) {
    ScalarType type = scalar.type();
    return switch (parser.currentToken()) {
      case VALUE_STRING -> text(field, type, dialect.read(scalar.builtIn(), parser.getString()));
      case VALUE_NUMBER_INT -> {
        Value number =
            parser.getNumberType() == JsonParser.NumberType.BIG_INTEGER
                ? new NumberValue(parser.getDecimalValue())
                : NumberValue.of(parser.getLongValue());
        yield type == ScalarType.TEXT && !scalar.builtIn().isEmpty()
            ? new TextValue(parser.getString())
            : number;
      }
      case VALUE_NUMBER_FLOAT -> number(parser);
      case VALUE_TRUE -> BooleanValue.TRUE;
      case VALUE_FALSE -> BooleanValue.FALSE;
      case VALUE_NULL -> Value.NULL;
      default -> {
        mismatch(field.name(), parser, type.name().toLowerCase(Locale.ROOT));
        yield open(parser);
      }
    };
  }

  /** A number with so many digits that it would be a document of its own stays a text. */
  private static Value number(JsonParser parser) {
    int start = parser.getStringOffset();
    BigDecimal usual =
        ScalarText.usualNumber(
            new Characters(parser.getStringCharacters(), start, parser.getStringLength()));
    if (usual != null) {
      return new NumberValue(usual);
    }
    String text = parser.getString();
    return ScalarText.parse(ScalarType.FLOAT, text).orElseGet(() -> new TextValue(text));
  }

  private Value text(Field field, ScalarType type, String text) {
    if (type == ScalarType.TEXT) {
      return new TextValue(text);
    }
    Optional<Value> parsed = ScalarText.parse(type, text);
    if (parsed.isEmpty()) {
      if (!text.isEmpty()) {
        mistyped(field.name(), text, type.name().toLowerCase(Locale.ROOT));
      }
      return new TextValue(text);
    }
    return parsed.get();
  }

  private void mismatch(String field, JsonParser parser, String type) {
    mistyped(field, String.valueOf(parser.getString()), type);
  }

  private void mistyped(String field, @Nullable String text, String type) {
    String given = text == null ? "" : text;
    String shown =
        given.length() > SHOWN_CHARACTERS ? given.substring(0, SHOWN_CHARACTERS) + "…" : given;
    findings.add(
        Finding.warning(
            "MESSAGE_FIELD_MISTYPED",
            "field",
            field,
            "text",
            shown,
            "type",
            type.replace('_', ' ')));
  }

  /** Characters that nobody needs as a text of their own. */
  private record Characters(char[] all, int start, int length) implements CharSequence {

    @Override
    public char charAt(int index) {
      return all[start + index];
    }

    @Override
    public CharSequence subSequence(int from, int to) {
      return new Characters(all, start + from, to - from);
    }

    @Override
    public String toString() {
      return new String(all, start, length);
    }
  }
}
