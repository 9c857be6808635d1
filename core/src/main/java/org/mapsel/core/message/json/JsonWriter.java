package org.mapsel.core.message.json;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.ItemsCheck;
import org.mapsel.core.message.ParameterCheck;
import org.mapsel.core.message.Trail;
import org.mapsel.core.message.UnknownFields;
import org.mapsel.core.shape.Demand;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.Shape;
import org.mapsel.core.shape.Shapes;
import org.mapsel.core.shape.Wire;
import org.mapsel.core.value.BooleanValue;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.NumberValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.TextValue;
import org.mapsel.core.value.Value;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes values as JSON. What is required and not given, or not of its type, is a finding that
 * names the field.
 */
final class JsonWriter {

  private static final JsonMapper MAPPER = new JsonMapper();

  /** Records deeper than this are not made up. */
  private static final int MAX_ASSUMED = 12;

  private final Shapes shapes;
  private final Findings findings;
  private final JsonGenerator out;
  private final JsonDialect dialect;

  /** Fields that travel only the other way are left out. */
  private final Hints.Direction other;

  JsonWriter(
      Shapes shapes,
      Findings findings,
      JsonGenerator out,
      JsonDialect dialect,
      Hints.Direction other) {
    this.dialect = dialect;
    this.other = other;
    this.shapes = shapes;
    this.findings = findings;
    this.out = out;
  }

  /** Some fields of a record as an object. */
  void members(List<Field> fields, RecordValue record) {
    out.writeStartObject();
    for (Field field : fields) {
      member(field, record.get(field.name()), Trail.ROOT);
    }
    out.writeEndObject();
  }

  /** A field with its name, if it has a value or must have one. */
  void member(Field field, Value value, Trail parent) {
    if (field.wire() instanceof Wire.Entries) {
      entries(field, value, parent.then(field.name()));
    } else {
      named(field, value, parent);
    }
  }

  private void named(Field field, Value given, Trail parent) {
    if (field.hints().direction() == other) {
      return;
    }
    Value value =
        given.isAbsent() && field.isRequired()
            ? field.assumed().map(Value::text).orElse(given)
            : given;
    if (!value.isAbsent()) {
      out.writeName(field.wire().label());
      value(field, value, parent.then(field.name()));
    } else if (field.isRequired()) {
      missing(field, parent.then(field.name()));
    }
  }

  /** What must be there and needs no value may stand empty. */
  private void missing(Field field, Trail path) {
    Shape shape = shapes.get(field.shape());
    boolean emptyRecord =
        !field.isRepeated() && shape instanceof Shape.Record record && isAssumed(record, 0);
    if (field.nillable()) {
      out.writeName(field.wire().label());
      out.writeNull();
    } else if (emptyRecord) {
      out.writeName(field.wire().label());
      one(field, shape, RecordValue.empty(), path);
    } else {
      findings.add(path.error("MESSAGE_PARAMETER_MISSING"));
    }
  }

  /** Whether everything that must be in a record has a value even if nobody gives one. */
  private boolean isAssumed(Shape.Record record, int depth) {
    return depth < MAX_ASSUMED
        && record.fields().stream()
            .filter(Field::isRequired)
            .allMatch(
                field ->
                    field.assumed().isPresent()
                        || field.nillable()
                        || !field.isRepeated()
                            && shapes.get(field.shape()) instanceof Shape.Record inner
                            && isAssumed(inner, depth + 1));
  }

  /** The value of a field: a list if it repeats. */
  void value(Field field, Value value, Trail path) {
    if (!field.isRepeated()) {
      Value single =
          value instanceof ListValue list && list.items().size() == 1 ? list.items().get(0) : value;
      one(field, shapes.get(field.shape()), single, path);
      return;
    }
    if (value == Value.NULL && field.nillable()) {
      out.writeNull();
      return;
    }
    List<Value> items = value instanceof ListValue list ? list.items() : List.of(value);
    ItemsCheck.check(field.occurrence(), items, path, findings);
    out.writeStartArray();
    for (Value item : items) {
      if (item == Value.NULL) {
        out.writeNull();
      } else {
        one(field, shapes.get(field.shape()), item, path);
      }
    }
    out.writeEndArray();
  }

  private void one(Field field, Shape shape, Value value, Trail path) {
    if (value == Value.NULL) {
      if (!field.nillable() && !(shape instanceof Shape.Open)) {
        findings.add(path.error("MESSAGE_NULL_REFUSED"));
      }
      out.writeNull();
      return;
    }
    switch (shape) {
      case Shape.Record record -> record(record, value, path);
      case Shape.OneOf oneOf -> oneOf(oneOf, value, path);
      case Shape.Scalar scalar -> scalar(scalar, value, path);
      case Shape.Repeated repeated -> one(field, shapes.get(repeated.item()), value, path);
      case Shape.Open open -> open(value, path);
    }
  }

  private void record(Shape.Record record, Value value, Trail path) {
    if (!(value instanceof RecordValue given)) {
      findings.add(path.error("MESSAGE_RECORD_EXPECTED"));
      out.writeNull();
      return;
    }
    Optional<Field> whole = whole(record);
    if (whole.isPresent()) {
      Value inside = given.get(whole.get().name());
      if (inside.isAbsent()) {
        inside = new ListValue(List.of());
      }
      value(whole.get(), inside, path.then(whole.get().name()));
      return;
    }
    out.writeStartObject();
    members(record, given, path);
    out.writeEndObject();
  }

  /** The field that is all there is of a record. */
  private static Optional<Field> whole(Shape.Record record) {
    return record.fields().size() == 1 && record.fields().get(0).wire() instanceof Wire.Whole
        ? Optional.of(record.fields().get(0))
        : Optional.empty();
  }

  private void members(Shape.Record record, RecordValue asked, Trail path) {
    members(record, asked, Set.of(), path);
  }

  /**
   * @param there labels of members that the object has already
   */
  private void members(Shape.Record record, RecordValue asked, Set<String> there, Trail path) {
    RecordValue given = told(record, asked);
    record.demand().ifPresent(demand -> check(demand, record.fields(), given, path));
    int known = 0;
    List<Field> fields = record.fields();
    for (int i = 0; i < fields.size(); i++) {
      if (there.contains(fields.get(i).wire().label())) {
        known += given.get(i, fields.get(i).name()).isAbsent() ? 0 : 1;
        continue;
      }
      Value value = given.get(i, fields.get(i).name());
      known += value.isAbsent() ? 0 : 1;
      if (fields.get(i).wire() instanceof Wire.Group) {
        inline(fields.get(i), value, written(fields, given), path.then(fields.get(i).name()));
      } else {
        member(fields.get(i), value, path);
      }
    }
    if (known != given.present()) {
      UnknownFields.report(fields, given, path, findings);
    }
  }

  /** The labels of the fields that have a value. */
  private static Set<String> written(List<Field> fields, RecordValue given) {
    return fields.stream()
        .filter(field -> !(field.wire() instanceof Wire.Group))
        .filter(field -> !given.get(field.name()).isAbsent())
        .map(field -> field.wire().label())
        .collect(Collectors.toSet());
  }

  private void check(Demand demand, List<Field> fields, RecordValue given, Trail path) {
    Set<String> there = written(fields, given);
    long met = demand.alternatives().stream().filter(there::containsAll).count();
    if (met == 0) {
      findings.add(path.error("MESSAGE_ALTERNATIVE_NONE", "alternatives", demand.words()));
    } else if (met > 1 && demand.exclusive()) {
      findings.add(path.error("MESSAGE_ALTERNATIVE_SEVERAL", "alternatives", demand.words()));
    }
  }

  /** Where a type is chosen under its kind, the member that tells types apart says so. */
  private RecordValue told(Shape.Record record, RecordValue given) {
    List<Field> fields = record.fields();
    // The choice of a kind stands last, or before the members without declared names.
    for (int i = fields.size() - 1; i >= Math.max(0, fields.size() - 2); i--) {
      Field kind = fields.get(i);
      if (kind.wire() instanceof Wire.Group
          && given.get(kind.name()) instanceof RecordValue chosen
          && shapes.get(kind.shape()) instanceof Shape.OneOf oneOf) {
        for (Field alternative : oneOf.alternatives()) {
          Optional<Field> teller = teller(alternative, fields);
          if (teller.isPresent() && !chosen.get(alternative.name()).isAbsent()) {
            Wire.Variant variant = (Wire.Variant) alternative.wire();
            return given.with(teller.get().name(), Value.text(variant.value()));
          }
        }
      }
    }
    return given;
  }

  /** The field among those of a record that tells whether it is of a type. */
  private static Optional<Field> teller(Field alternative, List<Field> fields) {
    return alternative.wire() instanceof Wire.Variant variant && variant.member().isPresent()
        ? fields.stream().filter(f -> f.wire().label().equals(variant.member().get())).findFirst()
        : Optional.empty();
  }

  /** The members of the chosen type stand among those of the record. */
  private void inline(Field field, Value value, Set<String> there, Trail path) {
    if (value instanceof RecordValue given
        && shapes.get(field.shape()) instanceof Shape.OneOf oneOf) {
      Field chosen = chosen(oneOf, given, path);
      if (chosen != null && given.get(chosen.name()) instanceof RecordValue inside) {
        boolean told =
            chosen.wire() instanceof Wire.Variant variant
                && variant.member().filter(there::contains).isPresent();
        RecordValue said = told ? inside : discriminator(chosen, inside);
        if (shapes.get(chosen.shape()) instanceof Shape.Record record) {
          members(record, said, there, path.then(chosen.name()));
        }
      }
    } else if (!value.isAbsent()) {
      findings.add(path.error("MESSAGE_RECORD_EXPECTED"));
    }
  }

  private void oneOf(Shape.OneOf oneOf, Value value, Trail path) {
    if (!(value instanceof RecordValue given)) {
      findings.add(path.error("MESSAGE_RECORD_EXPECTED"));
      out.writeNull();
      return;
    }
    Field chosen = chosen(oneOf, given, path);
    if (chosen == null) {
      out.writeNull();
      return;
    }
    Value inside = given.get(chosen.name());
    Trail deeper = path.then(chosen.name());
    if (inside instanceof RecordValue record
        && shapes.get(chosen.shape()) instanceof Shape.Record shape
        && whole(shape).isEmpty()
        && !chosen.isRepeated()) {
      out.writeStartObject();
      members(shape, discriminator(chosen, record), deeper);
      out.writeEndObject();
    } else {
      value(chosen, inside, deeper);
    }
  }

  /** The chosen type says its own name, whatever else was given for that member. */
  private RecordValue discriminator(Field chosen, RecordValue given) {
    if (chosen.wire() instanceof Wire.Variant variant && variant.member().isPresent()) {
      String member = variant.member().get();
      for (Field field : shapes.fieldsOf(chosen.shape())) {
        if (field.wire().label().equals(member)) {
          return given.with(field.name(), Value.text(variant.value()));
        }
      }
      out.writeName(member);
      out.writeString(variant.value());
    }
    return given;
  }

  private @Nullable Field chosen(Shape.OneOf oneOf, RecordValue given, Trail path) {
    List<Field> chosen =
        oneOf.alternatives().stream().filter(f -> !given.get(f.name()).isAbsent()).toList();
    if (chosen.size() != 1) {
      findings.add(
          path.error(
              chosen.isEmpty() ? "MESSAGE_PARAMETER_MISSING" : "MESSAGE_ALTERNATIVES_TOO_MANY"));
      return null;
    }
    return chosen.get(0);
  }

  private void entries(Field field, Value value, Trail path) {
    if (value.isAbsent()) {
      return;
    }
    Field held = shapes.fieldsOf(field.shape()).get(1);
    for (Value entry : value instanceof ListValue list ? list.items() : List.of(value)) {
      if (entry instanceof RecordValue record && record.get("name") instanceof TextValue name) {
        out.writeName(name.text());
        value(held, record.get(held.name()), path.then(held.name()));
      } else {
        findings.add(path.then("name").error("MESSAGE_PARAMETER_MISSING"));
      }
    }
  }

  private void scalar(Shape.Scalar scalar, Value value, Trail path) {
    if (value instanceof RecordValue || value instanceof ListValue) {
      findings.add(path.error("MESSAGE_SIMPLE_EXPECTED"));
      out.writeNull();
      return;
    }
    String text = ParameterCheck.of(scalar).text(value, path, findings);
    if (text == null) {
      out.writeNull();
      return;
    }
    if (dialect.isText(scalar.builtIn())) {
      out.writeString(text);
      return;
    }
    switch (scalar.type()) {
      case INTEGER, DECIMAL -> out.writeNumber(text);
      case FLOAT -> {
        if (text.equals("INF") || text.equals("-INF") || text.equals("NaN")) {
          out.writeString(text);
        } else {
          out.writeNumber(text);
        }
      }
      case BOOLEAN -> out.writeBoolean(text.equals("true") || text.equals("1"));
      default -> {
        if (scalar.builtIn().isEmpty() && value instanceof NumberValue) {
          out.writeNumber(text);
        } else if (scalar.builtIn().isEmpty() && value instanceof BooleanValue bool) {
          out.writeBoolean(bool.isTrue());
        } else {
          out.writeString(dialect.written(scalar.builtIn(), text));
        }
      }
    }
  }

  /** Anything: text that looks like JSON is taken for it. */
  private void open(Value value, Trail path) {
    if (value instanceof TextValue text
        && (text.text().strip().startsWith("{") || text.text().strip().startsWith("["))) {
      try {
        write(MAPPER.readTree(text.text()));
      } catch (JacksonException e) {
        findings.add(path.error("MESSAGE_VALUE_NOT_JSON", "reason", e.getOriginalMessage()));
        out.writeNull();
      }
      return;
    }
    write(ValueJson.write(value));
  }

  private void write(JsonNode node) {
    out.writeRawValue(MAPPER.writeValueAsString(node));
  }
}
